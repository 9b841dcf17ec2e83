import { printLayer } from './layers.ts';
import type { Specificity } from '../selector/index.ts';
import type { Candidate, Criterion, Loss } from './case.ts';

const triple = (specificity: Specificity): string => `(${specificity.join(', ')})`;

/** A layer in words. */
const layerWords = ({ layer }: Candidate): string =>
	layer.length === 0 ? 'no layer' : `the layer ${printLayer(layer)}`;

/** Why a declaration lost to the winner, or to one that was rolled back, as a sentence that names the criterion. */
export function lossSentence(
	candidate: Candidate,
	why: Loss,
	place: (candidate: Candidate) => string,
	/** At which widths a condition holds, in words; '' where it does not depend on width. */
	widths: (condition: string) => string
): string {
	switch (why.kind) {
		case 'condition': {
			const { kind, text } = why.condition;
			if (kind === 'supports') return `Not here: this browser does not support ${text} (@supports).`;
			if (kind === 'container') return `Not here: its container is not ${text} (@container).`;
			const where = widths(text);
			return `Not at this width: it counts at ${where || 'no width of this vantage'} (@media).`;
		}
		case 'state':
			return `Only while ${why.states.join(' and ')} holds.`;
		case 'unknown-name':
			return `This browser does not know the property ${candidate.property}.`;
		case 'not-valid':
			return `This browser does not accept this value for ${candidate.property}; the declaration is dropped.`;
		case 'gave-way':
			return why.keyword === 'revert'
				? 'It won with revert, which restores the browser’s own value.'
				: 'It won with revert-layer, which restores the value of the layers below.';
		case 'set-again':
			return `Set again further down in the same rule, at ${place(why.by)}.`;
		case 'beaten':
			return beatenSentence(candidate, why.by, why.criterion, place);
	}
}

function beatenSentence(
	loser: Candidate,
	by: Candidate,
	criterion: Criterion,
	place: (candidate: Candidate) => string
): string {
	switch (criterion) {
		case 'importance':
			return `${place(by)} is !important, this is not (importance).`;
		case 'presentational-hint':
			return `The attribute ${loser.attribute ?? ''} of the HTML gives way to every declaration of a sheet (presentational hint).`;
		case 'style-attribute':
			return by.hit ? `A style attribute beats every selector.` : `The style attribute beats every selector.`;
		case 'layer': {
			const turned = by.important ? ' For !important the order of layers is reversed.' : '';
			return `It stands in ${layerWords(loser)}; ${place(by)} stands in ${layerWords(by)}, which is stronger.${turned}`;
		}
		case 'specificity':
			return loser.hit && by.hit
				? `Its selector is less specific: ${loser.hit.selector} ${triple(loser.hit.specificity)} against ${by.hit.selector} ${triple(by.hit.specificity)} (specificity).`
				: '';
		case 'proximity':
			return `The root of its @scope is ${loser.hit?.proximity === Infinity ? 'none' : 'further away'} (scope proximity).`;
		case 'order':
			return `Equally strong, but ${place(by)} comes later (order of appearance).`;
	}
}
