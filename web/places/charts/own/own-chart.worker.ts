/// <reference lib="webworker" />
import { draftOwn, type OwnQuestion } from './draft-own';

addEventListener('message', ({ data }: MessageEvent<OwnQuestion>) => postMessage(draftOwn(data)));
