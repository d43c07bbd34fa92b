import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { as, saveApproved } from '../application/client.ts';
import { change } from '../plans/small-plan.ts';
import { accessFaults, openBrowser, settled, sitDown } from './desk.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(async () => {
  const none = { notEndingOn: [], longest: null, secondFrom: null, shutDays: [] };
  await (await as('basil')).send('PUT', '/api/house-rules', none);
  await browser.close();
});

test('another policy shows what it does before it is kept, and rules of the house reach whoever writes', async () => {
  const offer = (setTo: string) => ({
    kind: 'priceChange',
    items: { items: ['Q100046'] },
    formula: { setTo },
  });
  const when = { from: '2026-11-01T00:00', to: '2028-01-01T00:00' };
  await saveApproved({ ...change('policy-first', { when, priority: 1 }), offer: offer('0.61') } as never);
  await saveApproved({ ...change('policy-lower', { when, priority: 2 }), offer: offer('0.41') } as never);
  const { page, complaints } = await sitDown(browser, 'basil');
  await page.goto('/stockroom');
  await page.getByRole('link', { name: 'The chain' }).click();
  await page.getByRole('heading', { name: 'The chain', level: 1 }).waitFor();
  await settled(page);
  expect(await accessFaults(page)).toEqual([]);

  const prices = page.getByRole('form', { name: 'How prices come about' });
  await prices.getByRole('radio', { name: 'The one that makes the lowest price' }).check();
  const effect = prices.getByRole('region', { name: 'What it would do to prices' });
  await effect.getByText(/0 prices rise, \d+ falls?/).waitFor();
  await prices.getByRole('button', { name: 'Leave it as it was' }).press('Enter');
  await prices.getByRole('textbox', { name: /^Margin below/ }).fill('140');
  await prices.getByText(/“140” does not fit/).waitFor();
  await prices.getByRole('textbox', { name: /^Margin below/ }).fill('8');
  await prices.getByText('No price changes by that.').waitFor();
  await prices.getByRole('button', { name: 'Keep it' }).press('Enter');
  await prices.getByText('Kept.').waitFor();

  const house = page.getByRole('form', { name: 'Rules of the house' });
  await house.getByRole('checkbox', { name: 'Sunday' }).check();
  await house.getByRole('textbox', { name: /lasts at most/ }).fill('14');
  await house.getByLabel('Day', { exact: true }).fill('2031-03-14');
  await house.getByLabel('What it is').fill('Founding day');
  await house.getByRole('button', { name: 'Add the day' }).press('Enter');
  await house.getByRole('button', { name: 'Keep these rules' }).press('Enter');
  await house.getByText('Kept.').waitFor();
  await page.reload();
  await settled(page);
  await page.getByText('Founding day').waitFor();
  await expect.poll(() => house.getByRole('textbox', { name: /lasts at most/ }).inputValue()).toBe('14');
  await expect.poll(() => prices.getByRole('textbox', { name: /^Margin below/ }).inputValue()).toBe('8');

  // Somebody else changes the same while this page is open: nothing is lost, and it is said whose stands.
  const basil = await as('basil');
  const theirs = {
    ...{ notEndingOn: ['sun', 'mon'], longest: 21, secondFrom: null },
    shutDays: [{ day: '2031-03-14', name: 'Founding day' }],
  };
  expect((await basil.send('PUT', '/api/house-rules', theirs)).status).toBe(200);
  await house.getByRole('textbox', { name: /lasts at most/ }).fill('10');
  await house.getByRole('textbox', { name: /two approvals/ }).fill('50');
  await house.getByRole('button', { name: 'Keep these rules' }).press('Enter');
  await house.getByText('Days that a promotion lasts at most: 21').waitFor();
  await house.getByRole('button', { name: 'Keep mine instead' }).press('Enter');
  await house.getByText('Kept, beside what somebody else changed meanwhile.').waitFor();
  await expect.poll(() => house.getByRole('checkbox', { name: 'Monday' }).isChecked()).toBe(true);
  await expect.poll(() => house.getByRole('textbox', { name: /lasts at most/ }).inputValue()).toBe('10');
  // Where theirs is left, the fields say theirs.
  const again = { ...theirs, notEndingOn: ['sun', 'mon'], longest: 28, secondFrom: 4_000 };
  expect((await basil.send('PUT', '/api/house-rules', again)).status).toBe(200);
  await house.getByRole('textbox', { name: /lasts at most/ }).fill('11');
  await house.getByRole('button', { name: 'Keep these rules' }).press('Enter');
  await house.getByText('Days that a promotion lasts at most: 28').waitFor();
  await house.getByRole('button', { name: 'Leave that as it is, keep the rest' }).press('Enter');
  await expect.poll(() => house.getByRole('textbox', { name: /lasts at most/ }).inputValue()).toBe('28');
  await expect.poll(() => house.getByRole('textbox', { name: /two approvals/ }).inputValue()).toBe('40');
  await house.getByRole('checkbox', { name: 'Monday' }).uncheck();
  await house.getByRole('textbox', { name: /lasts at most/ }).fill('14');
  await house.getByRole('textbox', { name: /two approvals/ }).fill('');
  await house.getByRole('button', { name: 'Keep these rules' }).press('Enter');
  await house.getByText('Kept.', { exact: true }).waitFor();

  // Ines writes what is against them: she is told while she writes, and where she submits it.
  const ines = await as('ines');
  const promotion = {
    ...change('against-house', { when: { from: '2031-03-01T09:00', to: '2031-03-30T20:00' } }),
    status: 'draft',
    offer: { kind: 'priceChange', items: { node: 'teas' }, formula: { percentOff: 1_000 } },
  };
  expect((await ines.send('POST', '/api/promotions', { promotion })).status).toBe(201);
  const desk = await sitDown(browser, 'ines');
  await desk.page.goto('/plan/against-house');
  await settled(desk.page);
  const about = desk.page.getByRole('list', { name: 'About this draft' });
  await about.getByText(/it ends on a Sunday/).waitFor();
  await about.getByText(/it lasts 30 days/).waitFor();
  await desk.page.getByRole('button', { name: 'Submit for approval' }).press('Enter');
  await desk.page
    .getByRole('alert')
    .getByText(/it ends on a Sunday/)
    .waitFor();
  // What is refused is told by the console as well.
  expect(complaints.filter((line) => !line.includes('409'))).toEqual([]);
  await page.context().close();
  await desk.page.context().close();
});
