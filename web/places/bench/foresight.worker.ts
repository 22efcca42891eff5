/// <reference lib="webworker" />
import { compileChart, foresee, type CompiledChart } from '@neat-measure/core';
import type { ForesightAnswer, ForesightQuestion } from './foresight-service';

/** Charts compiled once for as long as this worker lives. */
const compiled = new Map<string, CompiledChart>();

addEventListener('message', ({ data }: MessageEvent<ForesightQuestion>) => {
  const garments = data.garments.map(({ id, sheet, preference }) => {
    const chart = compiled.get(id) ?? compileChart(sheet);
    compiled.set(id, chart);
    return { chart, preference };
  });
  const answer: ForesightAnswer = {
    question: data.question,
    foresight: foresee(garments, new Map(data.known), data.open, steady(data.question)),
  };
  postMessage(answer);
});

/** The same question gets the same answer: the draws begin from it. */
function steady(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 4_294_967_296;
  };
}
