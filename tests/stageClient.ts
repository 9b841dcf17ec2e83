import type { PageContent } from '../src/lib/stage/protocol.ts';

export { know } from '../src/lib/stage/client/know.ts';
export { openStage } from '../src/lib/stage/client/stage.ts';
export { measuringQueue } from '../src/lib/workers/queue.ts';
export { parseSheet } from '../src/lib/core/css/index.ts';
export { simulatedText } from '../src/lib/core/simulate/index.ts';
export { isPaintedOver } from '../src/lib/core/snapshot/index.ts';
export { readingsOf } from '../src/lib/core/findings/index.ts';
export { contains, printIntervalSet, rationalFromNumber } from '../src/lib/core/interval/index.ts';
export {
	firstWidths,
	foundIn,
	halfWidths,
	nextWidths,
	remainingWidths,
	unmeasured
} from '../src/lib/core/sweep/index.ts';

/** A page as a stage is given it, whose first style element has a sheet. */
export const contentOf = (html: string, css: string): PageContent => ({
	address: '/index.html',
	html,
	sheets: [{ element: [0, 0], text: css }],
	rules: '',
	films: 'play',
	rightToLeft: false,
	staged: [],
	taps: false
});
