/** A size that changes linearly from one width to another, and is constant beyond. Px throughout. */
export interface Fluid {
	readonly from: { readonly width: number; readonly size: number };
	readonly to: { readonly width: number; readonly size: number };
}

/** The notation of a fluid size: the unit of its middle, and that of its ends. */
export interface Writing {
	readonly unit: 'vw' | 'vi' | 'cqi';
	readonly ends: 'rem' | 'px';
	/** Px per rem. */
	readonly root: number;
}

/** A hundredth of a px: written sizes may be off by no more, at the ends and at the knees. */
const EXACT = 0.01;

/** A number with so many decimals, without trailing zeros. */
const places = (value: number, count: number): string => String(Number(value.toFixed(count)));

/** The fewest decimals with which a value is off by no more than so much. */
export function fewestPlaces(value: number, off: number): string {
	for (let count = 0; count < 8; count++) {
		const text = places(value, count);
		if (Math.abs(Number(text) - value) <= off) return text;
	}
	return places(value, 8);
}

/** The size of a fluid size at a width. */
export function sizeAt({ from, to }: Fluid, width: number): number {
	if (to.width === from.width) return width < from.width ? from.size : to.size;
	const part = Math.min(1, Math.max(0, (width - from.width) / (to.width - from.width)));
	return from.size + part * (to.size - from.size);
}

/** The value at a width of a text from `fluidText`, or of the middle of one, px. */
function written(text: string, { root }: Writing, width: number): number {
	const px = (number: string, unit: string): number =>
		Number(number) * (unit === 'rem' ? root : unit === 'px' ? 1 : width / 100);
	const sum = (part: string): number => {
		let total = 0;
		for (const [, sign, number, unit] of part.matchAll(/([-+]?)\s*([\d.]+)(rem|px|vw|vi|cqi)/g))
			total += (sign === '-' ? -1 : 1) * px(number as string, unit as string);
		return total;
	};
	const [, least, middle, most] = /^clamp\(([^,]+),([^,]+),([^,]+)\)$/.exec(text) ?? [];
	if (least === undefined || middle === undefined || most === undefined) return sum(text);
	return Math.max(sum(least), Math.min(sum(middle), sum(most)));
}

/**
 * A fluid size as CSS: `clamp(least, constant + slope, most)`, with as few digits as keep it within a hundredth of a
 * px at both ends and at both knees; a single length where it is constant.
 */
export function fluidText(fluid: Fluid, writing: Writing): string {
	const { unit, ends, root } = writing;
	const per = ends === 'rem' ? root : 1;
	const { from, to } = fluid;
	const end = (px: number): string => `${fewestPlaces(px / per, (EXACT * 0.9) / per)}${ends}`;
	if (from.size === to.size || from.width === to.width) return end(to.size);
	const slope = (to.size - from.size) / (to.width - from.width);
	const constant = from.size - slope * from.width;
	const [least, most] = from.size < to.size ? [from.size, to.size] : [to.size, from.size];
	for (let digits = 0; digits < 8; digits++) {
		// In the middle, the constant can compensate for the rounding of the slope.
		const hundredths = Number((slope * 100).toFixed(digits));
		if (hundredths === 0) continue;
		const middle = (from.width + to.width) / 2;
		const rest = (constant + slope * middle - (hundredths / 100) * middle) / per;
		for (let more = 0; more <= digits + 1; more++) {
			const number = Number(rest.toFixed(more));
			const sign = hundredths < 0 ? '-' : '+';
			const line =
				number === 0 ? `${hundredths}${unit}` : `${number}${ends} ${sign} ${Math.abs(hundredths)}${unit}`;
			const text = `clamp(${end(least)}, ${line}, ${end(most)})`;
			// The line itself, because an error at an end moves the knee too.
			const off = [from, to].map(({ width, size }) => Math.abs(written(line, writing, width) - size));
			if (Math.max(...off) < EXACT * 0.9) return text;
		}
	}
	const number = Number((constant / per).toFixed(8));
	return `clamp(${end(least)}, ${number}${ends} + ${Number((slope * 100).toFixed(8))}${unit}, ${end(most)})`;
}
