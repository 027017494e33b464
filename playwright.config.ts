import { defineConfig } from '@playwright/test';

export default defineConfig({
	testDir: 'tests/e2e',
	timeout: 90_000,
	workers: 1,
	// a machine that stalls for seconds is no fault of the program: what fails once and then passes is listed as flaky
	retries: 1,
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
