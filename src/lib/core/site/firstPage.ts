/** The page of a site that a visitor would see first; '' where there is none. */
export function firstPage(paths: readonly string[]): string {
	const named = (pattern: RegExp): string | undefined => paths.find((one) => pattern.test(one));
	return named(/^(index|home)\.\w+$/i) ?? named(/^[^/]+$/) ?? paths[0] ?? '';
}
