export { know } from '../src/lib/stage/client/know.ts';
export { openStage } from '../src/lib/stage/client/stage.ts';
export { measuringQueue } from '../src/lib/stage/client/queue.ts';
export { inertSource, parsePage } from '../src/lib/core/html/index.ts';
export { parseSheet } from '../src/lib/core/css/index.ts';
export { simulatedSheet } from '../src/lib/core/simulate/index.ts';
export { readingsOf } from '../src/lib/core/findings/index.ts';
export { printIntervalSet, rationalFromNumber } from '../src/lib/core/interval/index.ts';
export { firstWidths, foundIn, nextWidths, remainingWidths } from '../src/lib/core/sweep/index.ts';
