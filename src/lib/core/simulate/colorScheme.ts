/**
 * A `color-scheme` as a vantage uses it (CSS Color Adjustment 1 §2.3): where a page supports light and dark, only the
 * vantage's preference remains, because the frame has the preference of the browser in use.
 */
export function schemeInVantage(value: string, preferred: 'light' | 'dark'): string {
	const names = value.trim().toLowerCase().split(/\s+/);
	return names.includes('light') && names.includes('dark') ? preferred : value;
}
