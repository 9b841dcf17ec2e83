/** What people want, in their own words, with the properties for it, the most suitable first. */
const TABLE = `
even equal spacing space gaps between items children columns rows gutter: gap, justify-content, row-gap, column-gap
spread distribute items evenly along the row: justify-content, gap
centre center middle horizontally in the row: justify-content, margin-inline, text-align, justify-items
centre center middle vertically up and down align: align-items, align-content, align-self, place-items
same equal height columns cards stretch: align-items, grid-auto-rows
side by side next to each other columns: display, grid-template-columns, flex-direction
stack below one another vertical: flex-direction, grid-template-columns
change reorder swap order first last on narrow mobile: order, flex-direction, grid-area
wrap onto next line break row: flex-wrap, white-space, overflow-wrap
fill take remaining rest of the space grow: flex-grow, flex
stop from shrinking keep width squeeze: flex-shrink, min-width
limit maximum width readable line length container: max-width, max-inline-size
keep image picture video shape ratio proportions: aspect-ratio, object-fit
crop cut cover picture image fill box: object-fit, background-size, object-position
round rounded corners circle: border-radius
shadow depth raised: box-shadow, filter
hide remove element invisible not shown: display, visibility, opacity
transparent see through fade: opacity, background-color
overlap on top of in front behind stacking layer: z-index, position
stick stay fixed at top header while scrolling: position, top
cut off clip scroll overflowing content bars: overflow, overflow-x, overflow-y, text-overflow
long word link url breaks out of box: overflow-wrap, hyphens, min-width
one line ellipsis dots cut text: text-overflow, white-space, overflow
full screen viewport window height: min-height, height
space inside box: padding, padding-inline, padding-block
space outside around box distance to neighbours: margin, margin-inline, margin-block
move shift nudge position: transform, translate, top, left
turn rotate sideways vertical text: writing-mode, rotate, transform
larger smaller text type size fluid: font-size
space between lines leading: line-height
space between letters tracking: letter-spacing
bold thin thick weight: font-weight
upper case capitals small: text-transform, font-variant-caps
underline link line: text-decoration, text-underline-offset
text over picture readable wrap around image: float, shape-outside, text-shadow
columns newspaper text: columns, column-width, column-gap
smooth animate change on hover: transition, animation
jump anchor hidden under sticky header: scroll-margin-top, scroll-padding-top
snap slide carousel strip: scroll-snap-type, scroll-snap-align
width includes padding and border: box-sizing
list bullets numbers markers: list-style, list-style-type
mouse pointer hand cursor: cursor
click through ignore clicks: pointer-events
dark mode colours form controls: color-scheme, accent-color
`;

const wordsOf = new Map<string, string[]>();
for (const line of TABLE.trim().split('\n')) {
	const [words = '', properties = ''] = line.split(': ');
	for (const property of properties.split(', '))
		wordsOf.set(property, [...(wordsOf.get(property) ?? []), words]);
}

/** The properties known to serve some purpose. */
export const INTENDED: readonly string[] = [...wordsOf.keys()];

/** What people who need a property say they want, one line each; none where nothing is known. */
export const intentsOf = (property: string): readonly string[] => wordsOf.get(property) ?? [];
