import { describe, expect, it } from 'vitest';
import { layAlone, layFrames, type Laid, type Room, type Small } from './layout.ts';

const room = (width: number, height: number, more: Partial<Room> = {}): Room => ({
	...{ width, height, text: 1, few: false, cut: true, pan: 0 },
	...more
});
const viewport = (width: number, height: number) => ({ width, height, density: 1 });
const CHORUS: readonly Small[] = [
	{ name: 'A', viewport: viewport(390, 780), size: 1 },
	{ name: 'B', viewport: viewport(768, 1024), size: 1 },
	{ name: 'C', viewport: viewport(1280, 720), size: 1 }
];
const apart = (a: Laid, b: Laid): boolean =>
	a.left + a.drawnWidth <= b.left ||
	b.left + b.drawnWidth <= a.left ||
	a.top + a.drawnHeight <= b.top ||
	b.top + b.drawnHeight <= a.top;

describe('frames on the table', () => {
	it('lie apart and within it, whatever the lead', () => {
		for (const [width, height] of [
			[596, 580],
			[752, 627],
			[1144, 908]
		] as const)
			for (const cut of [true, false])
				for (const lead of [
					viewport(320, 800),
					viewport(812, 800),
					viewport(1920, 1080),
					viewport(390, 3000)
				]) {
					const frames = layFrames(room(width, height, { cut }), lead, 1, CHORUS);
					expect(frames).toHaveLength(4);
					frames.forEach((one, i) => {
						expect(one.top + one.drawnHeight, JSON.stringify([width, cut, lead])).toBeLessThanOrEqual(height);
						for (const other of frames.slice(i + 1)) expect(apart(one, other)).toBe(true);
					});
				}
	});

	it('have a lead that is cut at the scale of its width, and panned no further than there is', () => {
		const of = (more: Partial<Room>): Laid | undefined =>
			layFrames(room(752, 627, more), viewport(812, 800), 1, CHORUS)[0];
		const [cut, whole] = [of({}), of({ cut: false })];
		expect(cut?.drawnWidth).toBeCloseTo(752 - 72 - 64, 6);
		expect(cut?.part).toMatchObject({ top: 0, width: 812 });
		expect(cut?.drawnHeight).toBeCloseTo((cut?.part?.height ?? 0) * (cut?.scale ?? 0), 6);
		expect(whole?.part).toBeUndefined();
		expect(whole?.scale).toBeLessThan(cut?.scale ?? 0);
		expect(of({ pan: 50 })?.part?.top).toBe(50);
		expect(of({ pan: 5000 })?.part?.top).toBeCloseTo(800 - (cut?.part?.height ?? 0), 6);
	});

	it('make an upright lead as high as the table, and alone cut it at its foot', () => {
		const [upright] = layFrames(room(752, 627), viewport(390, 780), 1, CHORUS);
		expect(upright).toMatchObject({ scale: 1, top: 20 });
		expect((upright?.top ?? 0) + (upright?.drawnHeight ?? 0)).toBeGreaterThan(627 - 40);
		expect(layAlone(room(752, 627), viewport(700, 800), 1)).toMatchObject({ scale: 1, pans: true });
		expect(layAlone(room(752, 627, { cut: false }), viewport(700, 800), 1).part).toBeUndefined();
	});
});
