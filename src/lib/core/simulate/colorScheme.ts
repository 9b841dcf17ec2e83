/**
 * A `color-scheme` as a vantage uses it (CSS Color Adjustment 1 §2.3): where a page takes light and dark, the
 * vantage's preference alone is left, for the frame's own preference is that of the browser in use.
 */
export function schemeInVantage(value: string, preferred: 'light' | 'dark'): string {
	const names = value.trim().toLowerCase().split(/\s+/);
	return names.includes('light') && names.includes('dark') ? preferred : value;
}
