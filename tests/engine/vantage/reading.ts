/** Longhands that are compared on every element: everything that decides position and looks. */
export const LONGHANDS = [
	'display position top right bottom left float clear z-index box-sizing',
	'width height min-width max-width min-height max-height aspect-ratio',
	'margin-top margin-right margin-bottom margin-left padding-top padding-right padding-bottom padding-left',
	'border-top-width border-right-width border-bottom-width border-left-width border-top-left-radius',
	'flex-direction flex-wrap flex-grow flex-shrink flex-basis order justify-content align-items align-self',
	'grid-template-columns grid-template-rows grid-column-start grid-row-start row-gap column-gap',
	'font-size font-family font-weight font-style line-height letter-spacing word-spacing text-align text-indent',
	'white-space-collapse writing-mode direction visibility opacity overflow-x overflow-y object-fit object-position',
	'color background-color background-image background-size transform translate'
].flatMap((line) => line.split(' '));

export interface Reading {
	/** For every element in document order: its tag, its box, and its values in the order of `names`. */
	readonly elements: readonly {
		readonly tag: string;
		readonly box: readonly number[];
		readonly values: readonly string[];
	}[];
	readonly names: readonly string[];
	/** Viewport as the page has it. */
	readonly view: readonly number[];
}

/**
 * Whether pictures, films and fonts of a page have loaded or failed; requests lazy ones. Runs in the page; a frame
 * runs no timers, so it must be called again.
 */
export function isReady(): boolean {
	for (const image of document.images) image.loading = 'eager';
	const films = [...document.querySelectorAll('video')];
	return (
		document.readyState === 'complete' &&
		document.fonts.status === 'loaded' &&
		[...document.images].every(({ complete }) => complete) &&
		films.every(({ readyState, networkState }) => readyState > 0 || networkState === 0 || networkState === 3)
	);
}

/**
 * Reads a page's present state; runs in the page. With `every`, all longhands where there are no more than 150
 * elements. Animations are brought to their end or start. The `Reading` is returned as JSON, because the driver is
 * slow with large objects.
 */
export function readPage({ longhands, every }: { longhands: string[]; every: boolean }): string {
	for (const animation of document.getAnimations()) {
		const { iterations } = animation.effect?.getTiming() ?? {};
		if (iterations === Infinity) {
			animation.pause();
			animation.currentTime = 0;
		} else animation.finish();
	}
	// Laid out from scratch: what engines keep from another size can lead to another layout (docs/sweep.md).
	const root = document.documentElement;
	const styled = root.getAttribute('style');
	root.style.setProperty('display', 'none', 'important');
	void root.clientWidth;
	if (styled === null) root.removeAttribute('style');
	else root.setAttribute('style', styled);
	scrollTo({ top: 0, left: 0, behavior: 'instant' });
	// The content of a noscript is text in a page with scripts, elements in a frame; neither is shown.
	const elements = [...document.querySelectorAll('*')].filter((element) => !element.closest('noscript'));
	const names =
		every && elements.length <= 150 ? [...getComputedStyle(document.documentElement)].sort() : longhands;
	const reading: Reading = {
		names,
		view: [innerWidth, innerHeight, devicePixelRatio, document.documentElement.scrollHeight],
		elements: elements.map((element) => {
			const { x, y, width, height } = element.getBoundingClientRect();
			const style = getComputedStyle(element);
			return {
				tag: element.localName,
				box: [x, y, width, height],
				values: names.map((name) => style.getPropertyValue(name).replaceAll(location.origin, ''))
			};
		})
	};
	return JSON.stringify(reading);
}
