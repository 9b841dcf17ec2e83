import js from '@eslint/js';
import importX from 'eslint-plugin-import-x';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

/** Imports go one way: each folder, and the folders that it may not reach. */
const DIRECTIONS = {
	core: ['probe', 'stage', 'workers', 'state', 'ui', 'screens', 'server', 'api.ts'],
	probe: ['stage', 'workers', 'state', 'ui', 'screens', 'server', 'api.ts'],
	'stage/protocol.ts': ['core', 'workers', 'state', 'ui', 'screens', 'server', 'api.ts'],
	'stage/host': ['stage/client', 'workers', 'state', 'ui', 'screens', 'server', 'api.ts'],
	'stage/client': ['stage/host', 'probe', 'workers', 'state', 'ui', 'screens', 'server', 'api.ts'],
	workers: ['probe', 'stage', 'state', 'ui', 'screens', 'server', 'api.ts'],
	ui: ['probe', 'stage', 'workers', 'state', 'screens', 'server', 'api.ts'],
	state: ['ui', 'screens', 'server', 'stage/host'],
	screens: ['server', 'stage/host', 'probe'],
	server: ['probe', 'stage/host', 'workers', 'state', 'ui', 'screens']
};

const zones = Object.entries(DIRECTIONS).flatMap(([target, others]) =>
	others.map((from) => ({
		target: `./src/lib/${target}`,
		from: `./src/lib/${from}`,
		message: `${target} may not import from ${from}: see docs/architecture.md.`
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
