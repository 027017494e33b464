import { defineConfig } from '@playwright/test';

export default defineConfig({
	testDir: 'tests/e2e',
	timeout: 90_000,
	workers: 1,
	// none: what fails once is a fault, of the program or of the test
	retries: 0,
	fullyParallel: false,
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
