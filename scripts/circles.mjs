// Fails where files of src import one another in a circle, types included.
import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, normalize, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import ts from 'typescript';

const root = fileURLToPath(new URL('..', import.meta.url));
const src = join(root, 'src');

/** @type {Map<string, string[]>} What each file imports of the others, as absolute paths. */
const imports = new Map();
const files = readdirSync(src, { recursive: true, encoding: 'utf8' })
	.filter((name) => /\.(ts|svelte)$/.test(name))
	.map((name) => join(src, name));
for (const file of files) imports.set(file, importsOf(file));

/** @param {string} file */
function importsOf(file) {
	const source = readFileSync(file, 'utf8');
	const script = file.endsWith('.svelte')
		? [...source.matchAll(/<script[^>]*>([\s\S]*?)<\/script>/g)].map(([, text]) => text).join('\n')
		: source;
	const { importedFiles } = ts.preProcessFile(script, true, true);
	// What a template loads when it is shown is no circle of modules, but it is one of parts.
	const shown = [...source.matchAll(/import\('([^']+)'\)/g)].map(([, name = '']) => name);
	return [...importedFiles.map(({ fileName }) => fileName), ...shown]
		.map((name) => name.replace(/\?.*$/, '').replace(/^\$lib\//, `${src}/lib/`))
		.filter((name) => /^[./]/.test(name))
		.map((name) => (name.startsWith('/') ? normalize(name) : join(dirname(file), name)));
}

/** @type {Map<string, 'open' | 'closed'>} */
const seen = new Map();
/** @type {string[]} */
const way = [];
/** @type {string[][]} */
const circles = [];

/** @param {string} file */
function follow(file) {
	if (seen.get(file) === 'closed' || !imports.has(file)) return;
	if (seen.get(file) === 'open') {
		circles.push([...way.slice(way.indexOf(file)), file]);
		return;
	}
	seen.set(file, 'open');
	way.push(file);
	for (const next of imports.get(file) ?? []) follow(next);
	way.pop();
	seen.set(file, 'closed');
}

for (const file of files) follow(file);
for (const circle of circles)
	console.error(`A circle: ${circle.map((file) => relative(root, file)).join(' → ')}`);
if (files.length === 0) console.error('No file was found in src.');
process.exit(circles.length > 0 || files.length === 0 ? 1 : 0);
