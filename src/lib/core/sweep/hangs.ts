/** The sentence about a width at which measuring was given up. */
export const hangs = (width: number): string =>
	`The page hangs while it is laid out at ${width} px: tried twice, and given up there.`;
