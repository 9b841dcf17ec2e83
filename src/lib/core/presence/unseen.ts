/** Why an element of a page does not show, as an engine reports for one layout; each reason with its words. */
export const UNSEEN = {
	display: 'display: none',
	'display-around': 'in something with display: none',
	closed: 'in something that is closed',
	skipped: 'content-visibility: hidden',
	'no-box': 'makes no box',
	visibility: 'visibility: hidden',
	opacity: 'transparent: opacity 0',
	empty: 'empty, without size',
	'no-size': 'without size',
	clipped: 'clipped away',
	'off-page': 'off the page’s edge',
	covered: 'covered by something else'
} as const;

export type Unseen = keyof typeof UNSEEN;
