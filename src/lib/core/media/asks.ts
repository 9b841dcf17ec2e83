import type { Condition, MediaQuery } from './query.ts';

const onWidth = (condition: Condition): boolean => {
	switch (condition.kind) {
		case 'unknown':
			return false;
		case 'not':
			return onWidth(condition.of);
		case 'and':
		case 'or':
			return condition.of.every(onWidth);
		case 'feature':
			return condition.feature === 'width';
	}
};

/** Whether a list depends on nothing but the viewport's width, so that its result is the same in every vantage. */
export const asksWidthAlone = (queries: readonly MediaQuery[]): boolean =>
	queries.every(
		({ type, negated, invalid, condition }) =>
			!invalid && (type === null || type === 'all') && !negated && condition !== null && onWidth(condition)
	);
