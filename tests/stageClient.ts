export { know } from '../src/lib/stage/client/know.ts';
export { openStage } from '../src/lib/stage/client/stage.ts';
export { measuringQueue } from '../src/lib/stage/client/queue.ts';
export { inertSource, parsePage } from '../src/lib/core/html/index.ts';
export { parseSheet } from '../src/lib/core/css/index.ts';
export { simulatedSheet } from '../src/lib/core/simulate/index.ts';
