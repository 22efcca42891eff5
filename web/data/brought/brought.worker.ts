/// <reference lib="webworker" />
import { readBroughtFile, readBroughtText } from '@neat-measure/core/brought-files';
import type { BroughtAnswer, BroughtQuestion } from './brought-reader';

const say = (answer: BroughtAnswer) => postMessage(answer);

addEventListener('message', ({ data }: MessageEvent<BroughtQuestion>) => {
  if (typeof data === 'string') say({ read: readBroughtText(data) });
  else
    readBroughtFile(data, (stage) => say({ stage })).then(
      (read) => say({ read }),
      // What reads workbooks is fetched when it is needed, and may not be there to be had.
      () => say({ lost: true }),
    );
});
