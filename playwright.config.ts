import { availableParallelism, loadavg } from 'node:os';
import { defineConfig } from '@playwright/test';
import { LAUNCH } from './tests/launch.ts';

/** Limits are there to end what hangs, not to judge how fast a machine is: they grow with what else it does. */
const [load = 0] = loadavg();
const patience = Math.min(4, Math.max(1, load / availableParallelism()));

export default defineConfig({
	testDir: 'tests',
	outputDir: '.cache/test-results',
	timeout: 300_000 * patience,
	expect: { timeout: 30_000 * patience },
	workers: 2,
	fullyParallel: false,
	forbidOnly: true,
	reporter: [['list'], ['json', { outputFile: '.cache/results/end.json' }]],
	use: { launchOptions: LAUNCH, viewport: { width: 1280, height: 800 }, trace: 'off' }
});
