import { hasBars } from './heights.ts';
import type { Vantage } from './vantage.ts';

/** The traits of a vantage besides its size, each in a few words; a plain window with a mouse has none. */
export function vantageInWords(vantage: Vantage): string[] {
	const { pointer, hover, anyPointer, bars, safeAreas, scrollbar, zoom, contrast, films } = vantage;
	const insets = Object.entries(safeAreas).filter(([, px]) => px > 0);
	const traits: [boolean, string][] = [
		[pointer === 'coarse', 'touch'],
		[pointer === 'none', 'no pointer'],
		[(pointer === 'fine') !== (hover === 'hover'), hover === 'hover' ? 'hovers' : 'no hover'],
		[anyPointer.some((kind) => kind !== pointer), 'another pointer too'],
		[hasBars(vantage), `bars ${bars.top} + ${bars.bottom} px, ${bars.state}`],
		[insets.length > 0, `safe area ${insets.map(([side, px]) => `${side} ${px}`).join(', ')} px`],
		[scrollbar > 0, `scrollbar ${scrollbar} px`],
		[vantage.colorScheme === 'dark', 'dark'],
		[vantage.reducedMotion, 'less motion'],
		[contrast !== 'no-preference', `contrast ${contrast}`],
		[vantage.forcedColors, 'forced colours'],
		[vantage.defaultFontSize !== 16, `text ${vantage.defaultFontSize} px`],
		[vantage.textSpacing, 'text spaced'],
		[zoom !== 1, `zoom ${zoom * 100} %`],
		[vantage.medium === 'print', 'print'],
		[films !== 'play', films === 'still' ? 'films still' : 'no films yet']
	];
	return traits.filter(([has]) => has).map(([, words]) => words);
}
