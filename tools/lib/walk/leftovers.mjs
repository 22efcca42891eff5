import { readdirSync, readFileSync, readlinkSync } from 'node:fs';

/**
 * The processes that work within a folder, or were started with something of it, as somebody finds them who looks.
 *
 * @returns each as `pid command`
 */
export function processesOf(folder) {
  return readdirSync('/proc')
    .map(Number)
    .filter((pid) => pid > 0 && pid !== process.pid)
    .flatMap((pid) => {
      try {
        const command = readFileSync(`/proc/${pid}/cmdline`, 'utf8').split('\0').join(' ').trim();
        const within = `${readlinkSync(`/proc/${pid}/cwd`)}/`.startsWith(`${folder}/`);
        return command !== '' && (within || command.includes(`${folder}/`)) ? [`${pid} ${command}`] : [];
      } catch {
        return [];
      }
    });
}
