import type { IncomingHttpHeaders } from 'node:http';

/**
 * Whether a request was made by a page of another origin: by `Origin` (RFC 6454 §7), and where that is absent by
 * `Sec-Fetch-Site` (Fetch Metadata §2.4), which a page cannot set. What sends neither is no browser's page.
 */
export function isForeign(headers: IncomingHttpHeaders, origin: string): boolean {
	const site = headers['sec-fetch-site'];
	return (
		(headers.origin !== undefined && headers.origin !== origin) ||
		(site !== undefined && site !== 'same-origin' && site !== 'none')
	);
}
