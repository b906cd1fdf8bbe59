import { serious } from './test/axe.ts';
import { TestBench } from './test/bench.ts';

const LONG_MS = 400_000;
const shop = new TestBench(LONG_MS);

test(
  'a vehicle that is new to the shop comes in: its number tells the year, its customer is known or made, its plate is asked about where it is known',
  async () => {
    const { page, complaints } = await shop.open('till');
    await page.goto(shop.address);
    await page.getByRole('button', { name: 'Open a job' }).click();
    await page.getByRole('textbox', { name: 'Plate, number or customer' }).fill('hr 99');
    await page.getByText('No vehicle of the shop is found by “hr 99”.').waitFor();
    await page.getByRole('button', { name: 'A vehicle that is new to the shop' }).click();
    expect(await page.getByRole('textbox', { name: 'Plate' }).inputValue()).toBe('HR 99');
    await page.getByRole('textbox', { name: 'Plate' }).fill('HR 12');
    await page.getByRole('combobox', { name: 'Kind of vehicle' }).focus();
    await page.keyboard.press('ArrowDown');
    await page.getByRole('option', { name: 'Wexholm Bollard 35' }).click();
    await page.getByRole('textbox', { name: 'Vehicle number, 17 places' }).fill('1111 1111 1M11 1111 1');
    await page.getByText('The number tells 2021.').waitFor();
    expect(await page.getByRole('textbox', { name: 'Model year' }).inputValue()).toBe('2021');
    await page.getByRole('textbox', { name: 'Customer', exact: true }).fill('hill road RESCUE');
    await page.getByText('Known to the shop.').waitFor();
    await page.getByRole('combobox', { name: 'Kits to fit' }).focus();
    await page.keyboard.press('ArrowDown');
    await page.getByRole('option', { name: 'Cairn Fen pair' }).click();
    await page.keyboard.press('Escape');
    await page.getByRole('textbox', { name: 'Odometer or hour meter shows' }).fill('41.250');
    await page.getByRole('textbox', { name: 'Keys hang at' }).fill('hook 4');
    expect(await serious(page)).toEqual([]);
    await page.getByRole('button', { name: 'Open it' }).click();
    await page.getByText('HR 12 is known: it belongs to Hill Road Rescue').waitFor();
    await page.getByRole('button', { name: 'It is another vehicle' }).click();
    await page.getByRole('heading', { level: 1, name: 'Check in' }).waitFor();
    await page.getByText('41 250 km').waitFor();
    // What is read at the vehicle is held against what was written down for it.
    await page.getByRole('textbox', { name: 'Number, 17 places' }).fill('2111 1111 1M11 1111 1');
    await page.getByText('The shop has 111111111M1111111 written down for this vehicle').waitFor();
    await page.getByRole('link', { name: 'the vehicle and its visits' }).click();
    await page.getByRole('link', { name: /Cairn Fen pair/ }).waitFor();
    // What the browser itself says of the refused request is no fault.
    expect(complaints.filter((text) => !text.includes('409'))).toEqual([]);
  },
  LONG_MS,
);

test(
  'a vehicle is found, changed and joined to the one it is; a change made elsewhere is told',
  async () => {
    const { page } = await shop.open('till');
    await page.goto(`${shop.address}/customers`);
    await page.getByRole('textbox', { name: 'Plate, number or customer' }).fill('hill 05');
    await page.getByRole('link', { name: /HR 05/ }).click();
    await page.getByRole('button', { name: 'Change it' }).click();
    const { page: other } = await shop.open('slate');
    await other.request.post(`${shop.address}/api/vehicles/hill-road-05`, {
      data: { basedOn: 1, plate: 'HR 05', profile: 'wexholm-bollard-35', year: 2020, colour: 'red', customer: 'hill-road-rescue' },
      headers: { origin: shop.address },
    });
    await page.getByRole('textbox', { name: 'Model year' }).fill('2022');
    const change = page.getByRole('dialog').getByRole('button', { name: 'Change it' });
    await change.click();
    await page.getByText('HR 05 was changed since by somebody else').waitFor();
    expect(await page.getByRole('textbox', { name: 'Model year' }).inputValue()).toBe('2022');
    await page.getByRole('button', { name: 'Leave it' }).click();
    await page.reload();
    await page.getByText('red', { exact: true }).waitFor();
    expect(await serious(page)).toEqual([]);
    await page.getByRole('button', { name: 'The same vehicle as another' }).click();
    await page.getByRole('dialog').getByRole('button', { name: /HR 09/ }).click();
    await page.getByRole('button', { name: 'Join them' }).click();
    await page.getByRole('region', { name: 'The vehicle' }).getByText('HR 09').waitFor();
    expect(await page.getByRole('region', { name: 'The vehicle' }).getByRole('listitem').count()).toBe(2);
  },
  LONG_MS,
);

test(
  'a list is looked at before it is taken in, and what is wrong of it is left out by its line',
  async () => {
    const { page } = await shop.open('till');
    await page.goto(`${shop.address}/customers`);
    await page.getByRole('button', { name: 'Take in a list' }).click();
    const text = 'customer,plate,vehicle\nPier Cold Store,PC 1,Linnet\nPier Cold Store,PC 2,Lynnet\nHill Road Rescue,HR 12,Bollard 35';
    await page.locator('input[type=file]').setInputFiles({ name: 'customers.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
    await page.getByText('1 customer and 1 vehicle are new').waitFor();
    await page.getByText('line 3, vehicle: No vehicle profile of the library is called “Lynnet”').waitFor();
    await page.getByText('line 4: HR 12, the same').waitFor();
    await page.getByRole('button', { name: 'Take what is right' }).click();
    await page.getByText('Taken in: 1 customer and 1 vehicle.').waitFor();
    await page.getByRole('button', { name: 'Done' }).click();
    await page.getByRole('link', { name: /Pier Cold Store 1 vehicle/ }).click();
    await page.getByRole('region', { name: 'The customer' }).getByText('PC 1').waitFor();
  },
  LONG_MS,
);
