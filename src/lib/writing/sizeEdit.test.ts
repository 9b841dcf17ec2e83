import { expect, it } from 'vitest';
import { Working } from './working.ts';
import { writeSizes } from './sizeEdit.ts';

const STEPS = Array.from({ length: 6 }, (_, i) => `--size-${i}`);

/** A sheet after steps of a scale were written into it. */
function written(source: string, fallback = ''): string {
	const working = new Working((path) => (path === 'a.css' ? source : undefined));
	const desk = { working, kind: () => 'sheet' as const, isGiven: () => false };
	const declared = STEPS.map((property) => ({
		selector: ':root',
		property,
		value: 'clamp(1rem, 2vw, 3rem)',
		fallback,
		step: null
	}));
	const made = writeSizes({ desk, files: ['a.css'], home: 'a.css' }, declared);
	if (!made.ok) throw new Error(made.sentence);
	return working.text('a.css') ?? '';
}

it('leaves a one-line `:root` on one line, though it becomes long, with fallbacks too', () => {
	const one = STEPS.map((name) => `${name}: clamp(1rem, 2vw, 3rem)`).join('; ');
	expect(written(':root { --gap: 1px }\na { top: 0 }\n')).toBe(
		`:root { --gap: 1px; ${one} }\na { top: 0 }\n`
	);
	const two = STEPS.map((name) => `${name}: 2rem; ${name}: clamp(1rem, 2vw, 3rem)`).join('; ');
	expect(written(':root { --gap: 1px }\n', '2rem')).toBe(`:root { --gap: 1px; ${two} }\n`);
});

it('puts a new `:root` that is too long for one line over lines', () => {
	const lines = STEPS.map((name) => `\t${name}: clamp(1rem, 2vw, 3rem)`).join(';\n');
	expect(written('a { top: 0 }\n')).toBe(`:root {\n${lines}\n}\n\na { top: 0 }\n`);
});
