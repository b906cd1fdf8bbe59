// The browser of the tests, the pictures and the measurements.
import { chromium } from 'playwright-core';

export const FLAGS = ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'];

/** Debian's Chromium without a window. */
export function openBrowser() {
  return chromium.launch({ executablePath: process.env.JADE_CHROMIUM ?? '/usr/bin/chromium', args: FLAGS });
}
