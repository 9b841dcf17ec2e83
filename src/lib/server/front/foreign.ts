import type { IncomingHttpHeaders } from 'node:http';

/**
 * Whether a request was made by a page of another origin: by `Origin` (RFC 6454 §7) or, where that is absent, by
 * `Sec-Fetch-Site` (Fetch Metadata §2.4), which a page cannot set. A request with neither does not come from a page
 * in a browser.
 */
export function isForeign(headers: IncomingHttpHeaders, origin: string): boolean {
	const site = headers['sec-fetch-site'];
	return (
		(headers.origin !== undefined && headers.origin !== origin) ||
		(site !== undefined && site !== 'same-origin' && site !== 'none')
	);
}
