import {
	bottom,
	contentBox,
	figure,
	paddingBox,
	right,
	type ElementBox,
	type Gap,
	type Rect
} from '../../core/box/index.ts';

const NS = 'http://www.w3.org/2000/svg';
const INK = '#231e17';
const PAPER = '#fffdf8';
const RUBRIC = '#b0281a';
/**
 * Dimension lines shorter than this have no figure, so that figures do not overlap in small frames, px of the screen.
 */
const legible = (scale: number): number => (scale < 0.4 ? 18 : 5);
const FONT = 11;

type Attributes = Readonly<Record<string, string | number>>;

const element = (name: string, attributes: Attributes, ...children: readonly Node[]): SVGElement => {
	const made = document.createElementNS(NS, name);
	for (const [key, value] of Object.entries(attributes)) made.setAttribute(key, String(value));
	made.append(...children);
	return made;
};

/** A line drawn twice, wide and light below, thin and dark above: visible on any background. */
const line = (d: string, colour = INK, dash = ''): SVGElement[] => [
	element('path', { d, fill: 'none', stroke: PAPER, 'stroke-width': 3, 'stroke-opacity': 0.8 }),
	element('path', { d, fill: 'none', stroke: colour, 'stroke-width': 1, 'stroke-dasharray': dash })
];

const boxPath = ({ left, top, width, height }: Rect): string =>
	`M${left} ${top}h${width}v${height}h${-width}z`;

/** Words on a paper background, centred at a place. */
function words(text: string, x: number, y: number, colour = INK): SVGElement[] {
	const width = text.length * FONT * 0.61 + 6;
	return [
		element('rect', { x: x - width / 2, y: y - FONT * 0.75, width, height: FONT * 1.5, fill: PAPER }),
		element(
			'text',
			{
				x,
				y: y + FONT * 0.36,
				fill: colour,
				'text-anchor': 'middle',
				'font-family': 'monospace',
				'font-size': FONT
			},
			document.createTextNode(text)
		)
	];
}

/** A dimension line between two points, with short strokes at its ends, and its figure where there is room. */
function dimension(
	from: { x: number; y: number },
	to: { x: number; y: number },
	length: number,
	scale: number,
	colour = INK
): SVGElement[] {
	const upright = from.x === to.x;
	const end = ({ x, y }: { x: number; y: number }): string =>
		upright ? `M${x - 4} ${y}h8` : `M${x} ${y - 4}v8`;
	const drawn = Math.abs(upright ? to.y - from.y : to.x - from.x);
	const middle = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 };
	const text = figure(length);
	const beside = upright
		? { x: middle.x + text.length * 4 + 8, y: middle.y }
		: { x: middle.x, y: middle.y - 11 };
	return [
		...line(`M${from.x} ${from.y}L${to.x} ${to.y}${end(from)}${end(to)}`, colour, length < 0 ? '3 2' : ''),
		...(drawn >= legible(scale) || length < 0 ? words(text, beside.x, beside.y, colour) : [])
	];
}

const scaled = ({ left, top, width, height }: Rect, by: number): Rect => ({
	left: left * by,
	top: top * by,
	width: width * by,
	height: height * by
});

function margins(box: ElementBox, scale: number): SVGElement[] {
	const { left, top, width, height } = scaled(box, scale);
	const { margin } = box;
	const [x, y] = [left + width / 2, top + height / 2];
	const sides = [
		[margin.top, { x, y: top }, { x, y: top - margin.top * scale }],
		[margin.bottom, { x, y: top + height }, { x, y: top + height + margin.bottom * scale }],
		[margin.left, { x: left, y }, { x: left - margin.left * scale, y }],
		[margin.right, { x: left + width, y }, { x: left + width + margin.right * scale, y }]
	] as const;
	return sides.flatMap(([length, from, to]) =>
		Math.abs(length * scale) >= 3 ? dimension(from, to, length, scale) : []
	);
}

let patterns = 0;

/** The padding of a box, hatched. */
function padding(box: ElementBox, scale: number): SVGElement[] {
	const outer = scaled(paddingBox(box), scale);
	const inner = scaled(contentBox(box), scale);
	if (outer.width - inner.width < 1 && outer.height - inner.height < 1) return [];
	const id = `hatch-${(patterns++).toString(36)}`;
	const stroke = (x: number, colour: string) =>
		element('path', { d: `M${x} -1v8`, stroke: colour, 'stroke-width': 1, 'stroke-opacity': 0.7 });
	const pattern = element(
		'pattern',
		{ id, width: 6, height: 6, patternUnits: 'userSpaceOnUse', patternTransform: 'rotate(45)' },
		stroke(1, INK),
		stroke(2, PAPER)
	);
	return [
		pattern,
		element('path', { d: boxPath(outer) + boxPath(inner), 'fill-rule': 'evenodd', fill: `url(#${id})` })
	];
}

/** The size of a box at its lower right corner, within the frame; not where it would overlap that of another box. */
function size(box: ElementBox, scale: number, frame: Rect, alone: boolean): SVGElement[] {
	const short = frame.width < 200 ? (length: number) => String(Math.round(length)) : figure;
	const text = `${short(box.width)} × ${short(box.height)}`;
	const half = (text.length * FONT * 0.61 + 6) / 2;
	if (!alone && 2 * half > box.width * scale) return [];
	const x = Math.max(half, Math.min(right(box) * scale - half, frame.width - half));
	const below = bottom(box) * scale + FONT;
	const y = Math.max(FONT, below + FONT <= frame.height ? below : Math.min(below, frame.height) - FONT * 1.2);
	return words(text, x, y);
}

/** A drawing above a frame that lets the pointer through. */
const overlay = ({ width, height }: Rect, children: readonly Node[]): SVGElement =>
	element(
		'svg',
		{ width, height, 'aria-hidden': 'true', style: 'position:absolute;inset:0;pointer-events:none' },
		...children
	);

/**
 * Boxes as a working drawing: borders in ink, padding hatched, each margin as a dimension line with its figure, the
 * size at the corner; a broken line where an element that is not rendered would be; and distances, in rubric. `scale`
 * is px of the screen per px of the page.
 */
export function drawBoxes(
	boxes: readonly ElementBox[],
	ghosts: readonly Rect[],
	pieces: readonly Rect[],
	gaps: readonly Gap[],
	scale: number,
	frame: Rect
): SVGElement {
	const by = (point: { x: number; y: number }) => ({ x: point.x * scale, y: point.y * scale });
	return overlay(frame, [
		...boxes.flatMap((box) => padding(box, scale)),
		...pieces.flatMap((piece) => line(boxPath(scaled(piece, scale)))),
		...ghosts.flatMap((ghost) => line(boxPath(scaled(ghost, scale)), INK, '5 4')),
		...boxes.flatMap((box) => margins(box, scale)),
		...boxes.flatMap((box) => size(box, scale, frame, boxes.length === 1)),
		...gaps.flatMap(({ from, to, length }) => dimension(by(from), by(to), length, scale, RUBRIC))
	]);
}

/** Points as crosses, with a line between consecutive ones: its length, and how far it goes across and down. */
export function drawPoints(
	points: readonly { x: number; y: number }[],
	scale: number,
	frame: Rect
): SVGElement {
	const at = points.map(({ x, y }) => ({ x: x * scale, y: y * scale }));
	const crosses = at.flatMap(({ x, y }) => line(`M${x - 6} ${y}h12M${x} ${y - 6}v12`, RUBRIC));
	const lines = points.slice(1).flatMap((to, i) => {
		const from = points[i] ?? to;
		const [a, b] = [at[i] ?? { x: 0, y: 0 }, at[i + 1] ?? { x: 0, y: 0 }];
		const [across, down] = [Math.abs(to.x - from.x), Math.abs(to.y - from.y)];
		const text = `${figure(Math.hypot(across, down))} (${figure(across)} across, ${figure(down)} down)`;
		return [
			...line(`M${a.x} ${a.y}L${b.x} ${b.y}`, RUBRIC),
			...words(text, Math.max(90, Math.min(frame.width - 90, (a.x + b.x) / 2)), (a.y + b.y) / 2 - 12, RUBRIC)
		];
	});
	return overlay(frame, [...lines, ...crosses]);
}
