/// <reference lib="webworker" />
import { readImportedFile, readImportedText } from '@neat-measure/core/imported-files';
import type { ImportAnswer, ImportQuestion } from './import-reader';

const say = (answer: ImportAnswer) => postMessage(answer);

addEventListener('message', ({ data }: MessageEvent<ImportQuestion>) => {
  if (typeof data === 'string') say({ read: readImportedText(data) });
  else
    readImportedFile(data, (stage) => say({ stage })).then(
      (read) => say({ read }),
      // What reads workbooks is fetched when it is needed, and may not be there to be had.
      () => say({ lost: true }),
    );
});
