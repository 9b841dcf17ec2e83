import { figure } from '../box/index.ts';
import { FLAG } from '../snapshot/index.ts';
import { has } from './geometry.ts';
import type { Kind } from './kind.ts';

/** Nobody notices less, percent of the picture's own ratio; nor smaller pictures, px. */
const [SEEN, SMALL] = [3, 8];

/** A picture is drawn in another ratio than its own. */
export const stretched: Kind = {
	name: 'stretched',
	title: 'a picture is distorted',
	severity: 'plain',
	limit: { value: SEEN, unit: '%' },
	sentence: ({ name, by }) => `${name} is stretched, by ${figure(by)} % of its own shape.`,
	remedies: [{ property: 'object-fit', value: 'cover' }],
	read: (snapshot) => {
		const { boxes, edges, natural } = snapshot;
		return Array.from({ length: snapshot.count }, (_, element) => element).flatMap((element) => {
			if (!has(snapshot, element, FLAG.filled) || !has(snapshot, element, FLAG.shown)) return [];
			const [naturalWidth = 0, naturalHeight = 0] = natural.subarray(2 * element);
			const [top = 0, right = 0, bottom = 0, left = 0] = edges.subarray(4 * element);
			const width = (boxes[4 * element + 2] ?? 0) - left - right;
			const height = (boxes[4 * element + 3] ?? 0) - top - bottom;
			if (naturalWidth === 0 || naturalHeight === 0 || width < SMALL || height < SMALL) return [];
			const shape = (width * naturalHeight) / (height * naturalWidth);
			return [{ element, value: 100 * (Math.max(shape, 1 / shape) - 1) - SEEN }];
		});
	}
};
