/// <reference lib="webworker" />
import { planTables, type PlanQuestion } from './plan-tables';

addEventListener('message', ({ data }: MessageEvent<PlanQuestion>) => postMessage(planTables(data)));
