import { defineConfig } from '@playwright/test';
import { LAUNCH, VIEWPORT } from './tests/launch.ts';

export default defineConfig({
	testDir: 'tests',
	outputDir: '.cache/test-results',
	// The limits end what hangs; they do not judge a machine's speed.
	timeout: 900_000,
	expect: { timeout: 180_000 },
	// One more than the minimum number of cores, because tests wait for what they have asked for.
	workers: 3,
	fullyParallel: false,
	forbidOnly: true,
	reporter: [['list'], ['json', { outputFile: '.cache/results/end.json' }]],
	use: { launchOptions: LAUNCH, viewport: VIEWPORT, trace: 'off' }
});
