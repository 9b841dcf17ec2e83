import { FACT_LONGHANDS, noEffectOf, type Facts } from '../../../src/lib/core/effect/index.ts';

/** An element in core's form, with its style attribute standing in for the cascade. */
function factsOf(element: Element): Facts {
	const style = getComputedStyle(element);
	const asked = new Set(FACT_LONGHANDS);
	const own = (element as HTMLElement).style;
	return {
		tag: element.localName,
		// No other is asked of a stage.
		computed: (longhand) => (asked.has(longhand) ? style.getPropertyValue(longhand) : ''),
		specified: (longhand) => own.getPropertyValue(longhand) || undefined,
		parent: element.parentElement && factsOf(element.parentElement),
		words: [...element.childNodes].some(
			(node) => node.nodeType === Node.TEXT_NODE && node.nodeValue?.trim() !== ''
		),
		children: () => [...element.children].map(factsOf)
	};
}

/** Every box of the page, with the page scrolled a little. */
function layout(): string {
	scrollTo(0, 150);
	return [...document.querySelectorAll('*')]
		.map((element) => {
			const { x, y, width, height } = element.getBoundingClientRect();
			return [x, y, width, height].join();
		})
		.join(' ');
}

/** Whether core says that a longhand on the element in a piece of HTML has no effect, and whether it has one. */
export function checkEffect(
	html: string,
	longhand: string
): { readonly said: boolean; readonly moves: boolean } {
	document.body.innerHTML = `<div id="room">${html}</div><div style="height: 3000px"></div>`;
	const element = document.querySelector<HTMLElement>('[data-it]');
	if (!element) throw new Error(`Nothing is marked in ${html}`);
	const said = noEffectOf(longhand, factsOf(element)) !== undefined;
	const before = layout();
	element.style.removeProperty(longhand);
	return { said, moves: layout() !== before };
}
