import { defineConfig } from '@playwright/test';
import { LAUNCH } from './tests/launch.ts';

export default defineConfig({
	testDir: 'tests',
	outputDir: '.cache/test-results',
	timeout: 180_000,
	expect: { timeout: 25_000 },
	workers: 2,
	fullyParallel: false,
	forbidOnly: true,
	reporter: [['list'], ['json', { outputFile: '.cache/results/end.json' }]],
	use: { launchOptions: LAUNCH, viewport: { width: 1280, height: 800 }, trace: 'off' }
});
