import { randomUUID } from 'node:crypto';
import { TestBench } from './test/bench.ts';

const LONG_MS = 400_000;
const shop = new TestBench(LONG_MS);
const NAME = 'Fog Łőșğč Фара щіґ ΛΩαώ ≤ ≥ → Ω ° ² × −';

interface Used {
  familyName: string;
  isCustomFont: boolean;
}

test(
  'names in any letters of Latin, Greek and Cyrillic, and the signs of measures, are set in faces that come with the program',
  async () => {
    const { page, context } = await shop.open('till');
    const id = randomUUID();
    expect((await context.request.post(`${shop.address}/api/customers`, { data: { id, name: NAME } })).ok()).toBe(true);
    const fetched: string[] = [];
    page.on('request', (request) => void (request.resourceType() === 'font' && fetched.push(request.url())));
    await page.goto(shop.address);
    await page.getByRole('heading', { level: 1 }).waitFor();
    await page.waitForLoadState('networkidle');
    // Only where a page shows such a sign is its file fetched.
    expect(fetched.filter((url) => /cyrillic|greek/.test(url))).toEqual([]);
    await page.goto(`${shop.address}/customers`);
    await page.getByRole('textbox', { name: 'Plate, number or customer' }).fill('Фара');
    await page.getByText(NAME).first().waitFor();
    await page.waitForLoadState('networkidle');
    await page.evaluate(() => document.fonts.ready.then(() => undefined));
    const tools = await context.newCDPSession(page);
    await tools.send('DOM.enable');
    await tools.send('CSS.enable');
    const { root } = await tools.send('DOM.getDocument', { depth: -1 });
    await page
      .getByText(NAME)
      .first()
      .evaluate((node) => node.setAttribute('data-letters', ''));
    const { nodeId } = await tools.send('DOM.querySelector', { nodeId: root.nodeId, selector: '[data-letters]' });
    const { fonts } = (await tools.send('CSS.getPlatformFontsForNode', { nodeId })) as { fonts: Used[] };
    expect(fonts.filter((used) => !used.isCustomFont)).toEqual([]);
    expect(fonts.length).toBeGreaterThan(2);
    expect(fetched.some((url) => url.includes('cyrillic')) && fetched.some((url) => url.includes('greek'))).toBe(true);
  },
  LONG_MS,
);
