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
	probe: ['core'],
	'stage/protocol.ts': ['probe'],
	'stage/host': ['core', 'probe', 'stage/protocol.ts'],
	'stage/client': ['core', 'stage/protocol.ts'],
	workers: ['core'],
	server: ['core', 'api.ts'],
	inquiry: ['core', 'stage/protocol.ts'],
	writing: ['core', 'inquiry'],
	session: ['core', 'api.ts', 'stage/protocol.ts', 'stage/client', 'workers', 'inquiry', 'writing'],
	editor: ['core', 'workers', 'inquiry', 'writing', 'session'],
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

const zones = Object.entries(ROOMS).flatMap(([room, may]) =>
	Object.keys(ROOMS)
		.filter((from) => from !== room && !may.includes(from))
		.map((from) => ({
			target: `./src/lib/${room}`,
			from: `./src/lib/${from}`,
			message: `${room} may not import from ${from}: see docs/architecture.md.`
		}))
);

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
			'import-x/no-unresolved': ['error', { ignore: ['^\\$app/', '^\\$env/', '\\.css$'] }],
			'@typescript-eslint/no-non-null-assertion': 'error',
			'@typescript-eslint/no-dynamic-delete': 'off',
			'@typescript-eslint/unified-signatures': 'off',
			'svelte/no-navigation-without-resolve': 'off',
			'svelte/prefer-svelte-reactivity': 'off'
		}
	},
	{
		files: ['**/*.svelte', '**/*.svelte.ts'],
		languageOptions: { parserOptions: { parser: ts.parser, extraFileExtensions: ['.svelte'], svelteConfig } }
	}
);
