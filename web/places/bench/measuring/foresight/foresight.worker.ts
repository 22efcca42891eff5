/// <reference lib="webworker" />
import { compileChart, foresee, steadyRandom, type CompiledChart } from '@neat-measure/core';
import type { ForesightAnswer, ForesightQuestion } from './foresight-service';

/** Charts compiled once for as long as this worker lives. */
const compiled = new Map<string, CompiledChart>();

addEventListener('message', ({ data }: MessageEvent<ForesightQuestion>) => {
  const garments = data.garments.map(({ id, sheet, preference, rule }) => {
    const chart = compiled.get(id) ?? compileChart(sheet);
    compiled.set(id, chart);
    return { chart, preference, rule };
  });
  const answer: ForesightAnswer = {
    question: data.question,
    // The same question gets the same answer.
    foresight: foresee(garments, new Map(data.known), data.open, steadyRandom(data.question)),
  };
  postMessage(answer);
});
