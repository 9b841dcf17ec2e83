import js from '@eslint/js';
import importX from 'eslint-plugin-import-x';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

/** Imports go one way: each room of the house, and the rooms that it may import from (docs/architecture.md). */
const ROOMS = {
	core: [],
	'api.ts': ['core'],
	'http.ts': ['api.ts'],
	probe: ['core'],
	'stage/protocol.ts': ['core', 'probe'],
	'stage/host': ['core', 'probe', 'stage/protocol.ts'],
	'stage/client': ['core', 'stage/protocol.ts'],
	server: ['core', 'api.ts'],
	inquiry: ['core', 'stage/protocol.ts'],
	writing: ['core', 'inquiry'],
	workers: ['core', 'http.ts', 'stage/protocol.ts', 'inquiry'],
	session: [
		'core',
		'api.ts',
		'http.ts',
		'stage/protocol.ts',
		'stage/client',
		'workers',
		'inquiry',
		'writing'
	],
	editor: ['core', 'workers', 'inquiry', 'writing', 'session', 'ui'],
	ui: ['core'],
	features: [
		'core',
		'api.ts',
		'stage/protocol.ts',
		'workers',
		'inquiry',
		'writing',
		'session',
		'editor',
		'ui'
	],
	screens: [
		'core',
		'api.ts',
		'stage/protocol.ts',
		'inquiry',
		'writing',
		'session',
		'editor',
		'ui',
		'features'
	]
};

/** The same within core. */
const CORE = {
	box: [],
	curve: [],
	effect: [],
	find: [],
	interval: [],
	json: [],
	original: [],
	remember: [],
	staged: ['text'],
	steps: [],
	minified: ['css', 'html', 'text'],
	text: [],
	css: ['remember', 'steps', 'text'],
	html: ['css', 'steps', 'text'],
	length: ['css', 'interval', 'remember'],
	presence: ['html'],
	scale: ['interval', 'json', 'length', 'text'],
	selector: ['css', 'html', 'remember', 'text'],
	'css/edit': ['css', 'remember', 'selector', 'text'],
	'html/edit': ['css', 'css/edit', 'html', 'text'],
	errand: ['html', 'html/edit', 'text'],
	snapshot: ['html'],
	support: ['css'],
	vantage: ['interval', 'json', 'text'],
	media: ['css', 'interval', 'length', 'remember', 'text', 'vantage'],
	findings: ['box', 'interval', 'media', 'snapshot'],
	grammar: ['css', 'interval', 'length', 'media', 'remember', 'text', 'vantage'],
	history: ['css', 'errand', 'interval', 'media', 'text', 'vantage'],
	site: ['css', 'html', 'interval', 'media', 'remember', 'selector', 'steps', 'text'],
	cascade: ['css', 'html', 'media', 'remember', 'selector', 'site', 'steps'],
	collation: ['cascade', 'css'],
	simulate: ['css', 'html', 'interval', 'media', 'remember', 'selector', 'site', 'steps', 'text', 'vantage'],
	page: ['css', 'html', 'media', 'remember', 'simulate', 'site', 'steps', 'vantage'],
	sweep: ['findings', 'interval'],
	type: ['cascade', 'css', 'interval', 'length', 'media', 'simulate', 'snapshot'],
	wake: [
		'cascade',
		'css',
		'findings',
		'html',
		'interval',
		'media',
		'page',
		'selector',
		'snapshot',
		'sweep',
		'vantage'
	]
};

/**
 * The zones of one table: each folder, and what it may not import. A room within a room is a room of its own.
 * @param {string} folder @param {Readonly<Record<string, readonly string[]>>} rooms @param {string} files
 */
const zonesOf = (folder, rooms, files) =>
	Object.entries(rooms).flatMap(([room, may]) => {
		const isOuter = Object.keys(rooms).some((one) => one.startsWith(`${room}/`));
		const target = `${folder}/${room}${isOuter ? files.replace('**/', '') : files}`;
		const others = Object.keys(rooms).filter((from) => from !== room && !may.includes(from));
		const isAround = (/** @type {string} */ from) => may.some((one) => one.startsWith(`${from}/`));
		const message = `${room} may not import this: see docs/architecture.md.`;
		// One zone for all, but for the rooms that have one within them that may be imported: a zone takes its time.
		return [
			{
				target,
				from: others.filter((from) => !isAround(from)).map((from) => `${folder}/${from}`),
				message
			},
			...others.filter(isAround).map((from) => ({
				target,
				from: `${folder}/${from}`,
				except: may.flatMap((one) => (one.startsWith(`${from}/`) ? [`./${one.slice(from.length + 1)}`] : [])),
				message
			}))
		];
	});

const zones = [
	...zonesOf('./src/lib', ROOMS, ''),
	...zonesOf('./src/lib/core', CORE, '/**/!(*.test|*.fixture).ts')
];

export default ts.config(
	{
		ignores: ['build/', '.svelte-kit/', 'data/', 'demo/site/', 'tests/fixtures/', 'test-results/', '.cache/']
	},
	js.configs.recommended,
	...ts.configs.strict,
	...svelte.configs.recommended,
	{
		plugins: { 'import-x': importX },
		languageOptions: { globals: { ...globals.browser, ...globals.node } },
		settings: {
			'import-x/resolver-next': [
				importX.createNodeResolver({
					extensions: ['.ts', '.js', '.svelte'],
					conditionNames: ['svelte', 'import', 'node', 'default'],
					alias: { $lib: [`${import.meta.dirname}/src/lib`] }
				})
			]
		},
		rules: {
			'no-undef': 'off',
			'import-x/no-restricted-paths': ['error', { basePath: import.meta.dirname, zones }],
			'import-x/no-duplicates': ['error', { 'prefer-inline': true }],
			'import-x/no-unresolved': ['error', { ignore: ['^\\$app/', '^\\$env/', '\\.css$'] }],
			'@typescript-eslint/no-non-null-assertion': 'error',
			'@typescript-eslint/no-dynamic-delete': 'off',
			'@typescript-eslint/unified-signatures': 'off',
			'svelte/no-navigation-without-resolve': 'off',
			'svelte/prefer-svelte-reactivity': 'off'
		}
	},
	{
		files: ['src/**/*.ts'],
		ignores: ['**/*.test.ts'],
		rules: { 'max-lines': ['error', 300] }
	},
	{
		files: ['src/lib/**/*.{ts,svelte}'],
		ignores: ['src/lib/server/**', '**/*.test.ts'],
		rules: {
			'@typescript-eslint/no-restricted-imports': [
				'error',
				{
					paths: [
						{
							name: 'zod',
							message: 'The browser has zod/mini; both would be loaded.',
							allowTypeImports: true
						}
					]
				}
			]
		}
	},
	{
		files: ['src/**/*.svelte'],
		rules: {
			'max-lines': ['error', 250],
			'no-restricted-syntax': [
				'error',
				{
					selector: "TSInterfaceDeclaration[id.name='Props'] > TSInterfaceBody > *:nth-child(11)",
					message: 'A component has at most 10 props: what belongs together is one.'
				}
			]
		}
	},
	{
		files: ['**/*.svelte', '**/*.svelte.ts'],
		languageOptions: { parserOptions: { parser: ts.parser, extraFileExtensions: ['.svelte'], svelteConfig } }
	}
);
