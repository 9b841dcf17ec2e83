const collator = new Intl.Collator('en', { numeric: true });

/** Compares names in natural order: `page2.html` before `page10.html`. */
export const compareNames = (a: string, b: string): number =>
	collator.compare(a, b) || (a < b ? -1 : Number(a > b));
