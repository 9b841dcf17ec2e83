import type { Vantage } from '../vantage/index.ts';
import { LOWEST_LAYER } from './sheet.ts';
import { keywordSize, USUAL_TEXT } from './textSize.ts';

/** Text spacing that a page must tolerate by WCAG 2.2, success criterion 1.4.12. */
const SPACED = `* { line-height: 1.5 !important; letter-spacing: 0.12em !important; word-spacing: 0.16em !important }
p { margin-block-end: 2em !important }`;

const scrollbar = (px: number): string =>
	px === 0
		? '::-webkit-scrollbar { width: 0; height: 0 }'
		: `::-webkit-scrollbar { width: ${px}px; height: ${px}px; background: #ececec }
::-webkit-scrollbar-thumb { background: #b4b4b4; border: ${px / 5}px solid #ececec; border-radius: ${px}px }`;

/** Sizes of `<font size>` from 1 to 7, and relative to 3 (HTML §15.3.1), at a default text size. */
const fontElements = (size: number): string =>
	['x-small', 'small', 'medium', 'large', 'x-large', 'xx-large', 'xxx-large']
		.map((keyword, i) => {
			const sizes = [String(i + 1), i < 2 ? String(i - 2) : `+${i - 2}`];
			const list = sizes.map((value) => `font[size="${value}"]`).join(', ');
			return `${list} { font-size: ${keywordSize(keyword, size) ?? size}px }`;
		})
		.join('\n');

/** How many px smaller than the default text size engines make controls. */
const LESS_IN_CONTROLS = 8 / 3;

/** Rules that a frame adopts after the page's own sheets in order to behave as its vantage. */
export function rulesOf({ scrollbar: room, textSpacing, defaultFontSize: size }: Vantage): string {
	const rules = [scrollbar(room)];
	if (textSpacing) rules.push(SPACED);
	if (size !== USUAL_TEXT) {
		rules.push(`@layer ${LOWEST_LAYER} {
:root { font-size: ${size}px }
button, input, select, textarea { font-size: ${Math.max(0, size - LESS_IN_CONTROLS)}px }
${fontElements(size)}
}`);
	}
	return rules.join('\n');
}
