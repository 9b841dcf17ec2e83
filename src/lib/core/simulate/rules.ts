import type { SeenVantage, Vantage } from '../vantage/index.ts';
import { LOWEST_LAYER } from './sheet.ts';
import { USUAL_TEXT } from './textSize.ts';

/** Text spaced out as WCAG 2.2, success criterion 1.4.12, says that a page must bear. */
const SPACED = `* { line-height: 1.5 !important; letter-spacing: 0.12em !important; word-spacing: 0.16em !important }
p { margin-block-end: 2em !important }`;

const scrollbar = (px: number): string =>
	px === 0
		? '::-webkit-scrollbar { width: 0; height: 0 }'
		: `::-webkit-scrollbar { width: ${px}px; height: ${px}px; background: #ececec }
::-webkit-scrollbar-thumb { background: #b4b4b4; border: ${px / 5}px solid #ececec; border-radius: ${px}px }`;

/** Rules that a frame adopts after the page's own sheets so that it is as its vantage. */
export function rulesOf({ scrollbar: room, textSpacing, defaultFontSize: size }: Vantage): string {
	const rules = [scrollbar(room)];
	if (textSpacing) rules.push(SPACED);
	if (size !== USUAL_TEXT) rules.push(`@layer ${LOWEST_LAYER} { :root { font-size: ${size}px } }`);
	return rules.join('\n');
}

/** What of a vantage, beside its size, texts and rules depend on; the height where bars make a difference. */
export const textKey = (vantage: SeenVantage): string => {
	const { bars, height } = vantage;
	const byHeight = bars.top + bars.bottom > 0 ? height : 0;
	return JSON.stringify({ ...vantage, name: '', width: 0, density: 0, height: byHeight });
};
