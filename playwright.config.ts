import { defineConfig } from '@playwright/test';

export default defineConfig({
	testDir: 'tests/e2e',
	// only what hangs: how long a machine takes is measured in bench/
	timeout: 900_000,
	expect: { timeout: 45_000 },
	workers: 2,
	// none: what fails once is a fault, of the program or of the test
	retries: 0,
	fullyParallel: false,
	// what says how long a person waits has the machine to itself
	projects: [
		{ name: 'side by side', testIgnore: /badNetwork/ },
		{ name: 'alone', testMatch: /badNetwork/, dependencies: ['side by side'], workers: 1 }
	],
	reporter: [['list']],
	forbidOnly: true,
	use: {
		viewport: { width: 1280, height: 800 },
		acceptDownloads: true,
		launchOptions: {
			executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
			args: [
				'--no-sandbox',
				'--disable-gpu',
				'--disable-quic',
				'--no-first-run',
				'--disable-background-networking',
				'--disable-component-update',
				'--disable-sync'
			]
		}
	}
});
