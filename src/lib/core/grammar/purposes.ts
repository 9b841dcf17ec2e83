/**
 * What a property does and what it acts on, one sentence each. A trailing `*` stands for every property that begins
 * this way. Based on the standards that define them (CSS 2.2 and the modules of CSS Snapshot 2024).
 */
const TABLE = `
accent-color: Sets the colour of boxes, dots and bars that the browser draws; on controls of forms.
align-content: Shares out spare room across the lines of a container; on flex containers with more than one line, grids and, lately, blocks.
align-items: Places children across the direction of the row or column; on flex and grid containers, for all children that do not say otherwise.
align-self: Places this child across the direction of its row or column; on children of flex and grid containers and on absolutely placed boxes.
all: Puts every property but direction and custom ones back to one keyword; on every element.
animation*: Runs keyframes over time; on every element and on ::before and ::after.
appearance: Lets a control be drawn by the sheet rather than by the system; on controls of forms.
aspect-ratio: Makes a box keep a shape, width to height, where one of both is auto; on every element but inline ones and parts of tables.
backdrop-filter: Blurs or tints what lies behind an element; on elements that let it show through.
backface-visibility: Hides an element while it is turned away; on elements that can be transformed.
background: Sets the whole ground of a box at once and puts back what is not named; on every element.
background-attachment: Says whether a ground's picture scrolls with the box, its content or not at all; on every element.
background-clip: Says how far the ground reaches: border, padding, content or the letters; on every element.
background-color: Paints the ground of a box beneath any picture; on every element.
background-image: Lays pictures or gradients under the content; on every element.
background-origin: Says from which edge a ground's picture is placed; on every element with a background image.
background-position*: Places a ground's picture in its box; percentages match the same point of both; on every element with a background image.
background-repeat: Says whether a ground's picture is repeated; on every element with a background image.
background-size: Sets the size of a ground's picture; cover fills and cuts, contain shows it whole; on every element with a background image.
block-size: Sets the size across the lines, height in horizontal text; on every box that is not inline.
border: Sets width, line and colour of all four borders and puts back a border image; on every element.
border-collapse: Joins the borders of neighbouring cells or keeps them apart; on tables.
border-image*: Draws the border from slices of a picture; on every element with a border style, but not on joined cells.
border-radius: Rounds the corners of ground and border; on every element, not on joined tables.
border-spacing: Sets the gaps between cells; on tables whose borders are not joined.
border-*: Sets one part of the border; it shows only where the line's style is not none; on every element.
bottom: Holds the lower edge at a distance from that of the containing block; only on positioned elements.
box-decoration-break: Says whether each piece of a box broken over lines or columns has edges of its own; on boxes that break.
box-shadow: Draws shadows outside or inside a box, taking no room; on every element.
box-sizing: Says whether width and height count padding and border; on every element that takes width or height.
break-*: Says whether a column, page or region may break here; on blocks, rows of tables, and children of flex and grid containers.
caption-side: Puts a table's caption above or below; on captions of tables.
caret-color: Sets the colour of the caret; on what can be typed in.
clear: Moves a box below floats that come before it; only on blocks.
clip-path: Shows only what lies in a shape, without a change of layout; on every element.
color: Sets the colour of text, and of all that says currentcolor; on every element, inherited.
color-scheme: Says whether controls, scrollbars and the empty ground are drawn light or dark; on every element, inherited.
column-count: Sets the most columns of text; on blocks other than tables.
column-fill: Says whether columns are filled evenly or one after another; on containers of columns.
column-gap: Sets the gap between columns; on flex and grid containers and columns of text.
column-rule*: Draws a line between columns, taking no room; on containers of columns.
column-span: Lets an element go across all columns; on blocks within columns of text.
column-width: Sets the least width of columns of text; there are as many as fit; on blocks other than tables.
columns: Sets least width and most number of columns of text; on blocks other than tables.
contain: Promises that what is inside does not act on what is outside, so that layout can stop there; on every box that is not inline.
contain-intrinsic-*: Sets the size that an element has while its content is not laid out; on elements with size containment.
container*: Makes an element one that @container asks about; on every element that takes size containment.
content: Sets what ::before and ::after show; on these, and as a picture in place of an element.
content-visibility: Leaves out the layout and painting of content that is out of sight; on elements that take size containment.
counter-*: Sets, puts back or counts on a counter; on every element that is rendered.
cursor: Sets how the pointer looks; on every element, inherited.
direction: Sets the direction of text and of rows, but better said by dir in HTML; on every element, inherited.
display: Says how an element stands among others and how it lays out its children, or that it is not there at all; on every element.
empty-cells: Hides ground and border of cells without content; on cells of tables whose borders are not joined.
field-sizing: Lets a field be as large as what is typed; on controls of forms.
fill: Sets the inside colour of a shape; on shapes and text of SVG, inherited.
filter: Blurs, tints or shadows an element as painted; it makes a containing block for fixed boxes in it; on every element.
flex: Sets growth, shrinking and first size at once; one number makes the first size 0; only on children of flex containers.
flex-basis: Sets the size before room is shared out, stronger than width; only on children of flex containers.
flex-direction: Lays children in a row or a column, forwards or back; only on flex containers; the order for keyboards stays.
flex-flow: Sets direction and wrapping at once; only on flex containers.
flex-grow: Sets the share of spare room; only on children of flex containers.
flex-shrink: Sets how much is given up where there is too little room; it stops at min-width, which is auto; only on children of flex containers.
flex-wrap: Lets children that do not fit go on in another line; only on flex containers.
float: Takes a box to one side and lets lines flow around it; not on children of flex and grid containers, nor on absolute boxes.
font: Sets all of the type at once and puts back what is not named; on every element, inherited.
font-family: Sets the typefaces, the first that is there for each letter; on every element, inherited.
font-feature-settings: Switches features of a typeface by their tags; on text, inherited.
font-kerning: Switches kerning; on text, inherited.
font-optical-sizing: Lets a variable typeface go by its size; on text, inherited.
font-palette: Chooses the colours of a colour typeface; on text, inherited.
font-size: Sets the size of type; em and % are of the parent's, rem of the root's; on every element, inherited.
font-size-adjust: Keeps the height of small letters where another typeface steps in; on text, inherited.
font-stretch: Chooses a narrower or wider cut; on text, inherited.
font-style: Chooses the italic or oblique cut; on text, inherited.
font-synthesis*: Says whether bold, italic or small capitals may be made up where the typeface has none; on text, inherited.
font-variant*: Chooses small capitals, kinds of figures and ligatures; on text, inherited.
font-variation-settings: Sets axes of a variable typeface by their tags; on text, inherited.
font-weight: Chooses the weight; on text, inherited.
forced-color-adjust: Keeps own colours where the system forces its own; on every element, inherited.
gap: Sets the gaps between rows and columns; on flex and grid containers and columns of text; never at the outer edges.
grid: Sets all of a grid at once; only on grid containers.
grid-area: Places a child by a name or by its four lines; only on children of grids.
grid-auto-columns: Sets the width of columns that no template names; only on grid containers.
grid-auto-flow: Says whether children fill rows or columns, and whether gaps are filled; only on grid containers.
grid-auto-rows: Sets the height of rows that no template names; only on grid containers.
grid-column*: Says from which to which column line a child goes; only on children of grids.
grid-row*: Says from which to which row line a child goes; only on children of grids.
grid-template: Sets columns, rows and areas at once; only on grid containers.
grid-template-areas: Draws the grid as named areas; only on grid containers.
grid-template-columns: Sets the columns and their widths; only on grid containers.
grid-template-rows: Sets the rows and their heights; only on grid containers.
hanging-punctuation: Lets marks stand outside the edge of a line; on blocks, inherited.
height: Sets the height of the content, or of the border box by box-sizing; a percentage needs a parent of definite height; not on inline elements.
image-orientation: Says whether a picture is turned as it says itself; on pictures, inherited.
image-rendering: Says how a picture is enlarged; on pictures and grounds, inherited.
inline-size: Sets the size along the lines, width in horizontal text; on every box that is not inline.
inset*: Holds edges at distances from those of the containing block; only on positioned elements.
isolation: Makes an element a layer of its own, so that blending and z-index stay in it; on every element.
justify-content: Shares out spare room along the row or column, once growth has taken its part; on flex and grid containers.
justify-items: Places children along the row within their cells; on grids; a flex container ignores it.
justify-self: Places this child along the row within its cell; on children of grids and absolute boxes; not in a flex container.
left: Holds the left edge at a distance from that of the containing block; only on positioned elements.
letter-spacing: Adds room after each letter; on text, inherited.
line-break: Says how strict lines are broken in some scripts; on text, inherited.
line-clamp: Cuts a block off after so many lines; on blocks.
line-height: Sets the height of lines; a number goes by each element's own size; on every element, inherited.
list-style*: Sets the mark of list items; on elements with display list-item, inherited.
margin: Sets the room outside of all four edges; top and bottom do nothing on inline elements, and may collapse between blocks; percentages are of the width around.
margin-block*: Sets the room before and after across the lines; may collapse between blocks; not on inline elements.
margin-inline*: Sets the room at both ends along the lines; auto takes what is spare; on every element but parts of tables.
margin-*: Sets the room outside one edge; percentages, even above and below, are of the width around; on every element but parts of tables.
mask*: Lets only what a picture or gradient leaves show; on every element.
max-block-size: Sets the most size across the lines; on every box that is not inline.
max-height: Sets the most height, weaker than min-height; a percentage needs a parent of definite height; not on inline elements.
max-inline-size: Sets the most size along the lines; on every box that is not inline.
max-width: Sets the most width, weaker than min-width; not on inline elements.
min-block-size: Sets the least size across the lines; on every box that is not inline.
min-height: Sets the least height, stronger than max-height; a percentage needs a parent of definite height; not on inline elements.
min-inline-size: Sets the least size along the lines; on every box that is not inline.
min-width: Sets the least width, stronger than max-width; auto keeps a flex or grid child from becoming narrower than its content; not on inline elements.
mix-blend-mode: Mixes an element's colours with those behind; on every element.
object-fit: Says how a picture fills a box of another shape; on pictures, films and other replaced elements.
object-position: Says which part of a picture shows where it is cut; on pictures, films and other replaced elements.
offset*: Places an element on a path; on elements that can be transformed.
opacity: Makes an element and all in it see-through; it stays there for pointer and keyboard; on every element.
order: Moves a child among its siblings as painted; keyboard and readers keep the order of the source; only on children of flex and grid containers.
orphans: Sets the least lines left at the foot of a page or column; on blocks.
outline*: Draws a line around an element that takes no room; on every element.
overflow: Says what happens to content that passes the box: shown, cut or scrolled; anything but visible and clip starts a scroll container; on blocks, flex and grid containers.
overflow-anchor: Keeps what is looked at in place while content above comes in; on scroll containers.
overflow-clip-margin: Sets how far content may pass where overflow is clip; on boxes that cut.
overflow-wrap: Lets a long word break where it would pass the box; on text, inherited.
overflow-*: Says what happens to content that passes the box in one direction; visible becomes auto where the other direction scrolls; on blocks, flex and grid containers.
overscroll-behavior*: Keeps scrolling from going on in what is around; on scroll containers.
padding*: Sets the room between border and content; percentages, even above and below, are of the width around; on every element but parts of tables.
paint-order: Says whether the inside, the line or marks are painted first; on text and shapes of SVG.
perspective*: Gives children that are turned in space a vanishing point; on elements that can be transformed.
place-*: Sets placing across and along at once; on containers or children as the two properties that it stands for.
pointer-events: Lets the pointer go through an element; on every element, inherited.
position: Takes an element out of the flow or shifts it; then top, right, bottom, left and z-index act; on every element.
print-color-adjust: Keeps grounds and colours on paper; on every element, inherited.
quotes: Sets the marks of quotations; on every element, inherited.
resize: Lets a box be drawn larger by hand; on elements whose overflow is not visible.
right: Holds the right edge at a distance from that of the containing block; only on positioned elements.
rotate: Turns an element, without a change of layout; on elements that can be transformed, not inline ones.
row-gap: Sets the gap between rows; on flex and grid containers.
scale: Enlarges an element as painted, without a change of layout; on elements that can be transformed.
scroll-behavior: Makes jumps within a scroll container smooth; on scroll containers.
scroll-margin*: Sets the room kept around an element when it is scrolled to; on every element.
scroll-padding*: Sets the room at the edges that a scroll container does not scroll things into; on scroll containers.
scroll-snap-*: Sets where scrolling comes to rest; the type on scroll containers, align and stop on what is in them.
scrollbar-*: Sets width, room or colours of scrollbars; on scroll containers.
shape-*: Lets lines flow around a shape; only on floats.
stroke*: Sets the line of a shape; on shapes and text of SVG, inherited.
tab-size: Sets the width of a tab; on blocks with preserved white space, inherited.
table-layout: Makes columns go by the first row and given widths rather than by content; on tables with a width.
text-align: Places the content of lines, not boxes themselves; on blocks, inherited.
text-align-last: Places the last line of a block; on blocks, inherited.
text-decoration*: Draws lines along text, through all that is in the element; on text.
text-emphasis*: Sets marks over or beside letters; on text, inherited.
text-indent: Indents the first line; on blocks, inherited.
text-justify: Says how justified lines are spaced; on text, inherited.
text-orientation: Turns letters in upright lines; on text in a vertical writing mode, inherited.
text-overflow: Ends a cut line with a sign; only with overflow other than visible and lines that do not wrap; on blocks.
text-rendering: Says whether text is set fast or exact; on text, inherited.
text-shadow: Draws shadows of letters; on text, inherited.
text-size-adjust: Says whether a handheld may enlarge text; on every element, inherited.
text-transform: Sets text in capitals or small letters; on text, inherited.
text-underline-*: Moves an underline; on text, inherited.
text-wrap*: Says whether lines wrap, and how evenly; on text, inherited.
top: Holds the upper edge at a distance from that of the containing block; only on positioned elements.
touch-action: Says which gestures the browser keeps for itself; on every element but inline ones and parts of tables.
transform: Moves, turns or enlarges an element as painted, without a change of layout; it makes a containing block for fixed boxes in it; not on inline elements.
transform-*: Sets the point or box that a transform goes by; on elements that can be transformed.
transition*: Lets a value go over to another in time; on every element; not for display and auto sizes unless allowed.
translate: Moves an element as painted, without a change of layout; on elements that can be transformed.
unicode-bidi: Sets text of two directions apart; on every element.
user-select: Says whether text can be selected; on every element.
vertical-align: Places inline boxes and cells by the line or row; only on inline elements and cells of tables.
visibility: Hides an element and keeps its place; what is in it may show itself again; on every element, inherited.
white-space*: Says whether spaces and lines of the source are kept, and whether lines wrap; on text, inherited.
widows: Sets the least lines taken over to a page or column; on blocks.
width: Sets the width of the content, or of the border box by box-sizing; auto fills the room in a block; not on inline elements.
will-change: Announces a change, so that an engine prepares for it; on every element.
word-break: Says where words may break; on text, inherited.
word-spacing: Adds room between words; on text, inherited.
writing-mode: Sets upright or level lines; on every element but rows and columns of tables, inherited.
z-index: Moves an element before or behind others of its layer; only on positioned elements and children of flex and grid containers.
anchor-name: Gives an element a name to which others can be tied; on every element with a box.
anchor-scope: Says how far names of anchors reach; on every element.
background-blend-mode: Mixes a ground's pictures with one another and its colour; on every element.
baseline-*: Shifts a line's content from its baseline; on inline elements.
caret*: Sets the look of the caret; on what can be typed in.
clip: Cuts an absolute box to a rectangle; clip-path does it better; only on absolute boxes.
clip-rule: Says what is inside of a shape that cuts; on shapes of SVG.
color-interpolation-filters: Says in which colours a filter reckons; on filters of SVG.
column-wrap: Says whether columns that do not fit go on below; on containers of columns.
column-height: Sets the height of columns of text; on containers of columns.
corner-*: Sets the shape of rounded corners; on elements with a border radius.
dominant-baseline: Says by which baseline a line is set; on text.
flood-*: Sets colour and strength of a filter's ground; on filters of SVG.
font-width: Chooses a narrower or wider cut; on text, inherited.
grid-gap: Sets the gaps between rows and columns; gap is its name now; on grid containers.
hyphenate-*: Sets sign and limits of dividing words; on text, inherited.
hyphens: Says whether and how words are divided, by the language in HTML; on text, inherited.
initial-letter*: Sets the first letter over several lines; on ::first-letter.
interpolate-size: Lets sizes go over to and from keywords as auto; on every element, inherited.
marker*: Puts marks at the points of a line; on shapes of SVG.
math-*: Says how formulas are set; on MathML, inherited.
overlay: Says whether an element stays in the top layer while it goes; set by the browser.
page: Names the kind of page that an element is printed on; on blocks.
page-break-*: Says whether a page may break here; break- is its name now; on blocks.
position-*: Says where an element tied to an anchor stands, and where it goes when there is no room; only on absolute boxes.
reading-*: Says in which order keyboard and readers go through children; on flex and grid containers and their children.
ruby-*: Places small notes over text; on ruby.
scroll-timeline*: Names the scrolling of a container, for animations to go by; on scroll containers.
stop-*: Sets a colour of a gradient; on gradients of SVG.
text-anchor: Says which point of a text stands at its place; on text of SVG.
text-autospace: Says whether room is put between scripts; on text, inherited.
text-box*: Cuts the room over and under letters off; on blocks and inline elements.
text-combine-upright: Sets a few letters level within upright lines; on text.
text-spacing-trim: Says how wide marks of Chinese and Japanese are set; on text, inherited.
timeline-*: Says what an animation goes by, and when it begins and ends; on every element.
vector-effect: Keeps lines as thin as they are when a picture is enlarged; on shapes of SVG.
view-timeline*: Names an element's way through a scroll container, for animations to go by; on every element.
view-transition-*: Names an element, so that it is moved over from one state of the page to the next; on every element.
word-wrap: Lets a long word break where it would pass the box; overflow-wrap is its name now; on text, inherited.
zoom: Enlarges an element with its layout; on every element.
`;

const sentences = new Map(
	TABLE.trim()
		.split('\n')
		.map((line) => {
			const colon = line.indexOf(': ');
			return [line.slice(0, colon), line.slice(colon + 2)] as const;
		})
);

/** The properties that have a sentence of their own. */
export const NAMED: readonly string[] = [...sentences.keys()].filter((name) => !name.endsWith('*'));

/** What a property does and what it acts on, in a sentence; undefined where nothing is known. */
export function purposeOf(property: string): string | undefined {
	if (property.startsWith('--')) return undefined;
	const whole = sentences.get(property) ?? sentences.get(`${property}*`);
	if (whole !== undefined) return whole;
	for (let end = property.lastIndexOf('-'); end > 0; end = property.lastIndexOf('-', end - 1)) {
		const stem = property.slice(0, end);
		const found = sentences.get(`${stem}-*`) ?? sentences.get(`${stem}*`);
		if (found !== undefined) return found;
	}
	return undefined;
}
