// Takes the pictures of this folder anew, from a running studio with fresh demo data.
// Usage: node docs/screenshots/take.mjs [http://127.0.0.1:8020]
import { chromium } from '@playwright/test';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';

const base = process.argv[2] ?? 'http://127.0.0.1:8020';
const folder = dirname(fileURLToPath(import.meta.url));
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const take = async (name) => {
    await page.waitForLoadState('networkidle');
    await page.waitForTimeout(300);
    await page.screenshot({ path: `${folder}/${name}.png` });
};
const stage = (name) => page.getByRole('link', { name }).click();

await page.goto(base);
await page.getByRole('heading', { name: 'Sign in' }).waitFor();
await take('sign-in');
await page.getByRole('button', { name: 'Open the demo studio' }).click();
await page.getByRole('heading', { name: 'Pieces' }).waitFor();
await take('pieces');
await stage('Pencils');
await take('pencils');
await stage('Pieces');
await page.getByRole('link', { name: /Floats and buoy/ }).click();
await page.getByRole('button', { name: /Float, light/ }).click();
await take('match');
await page.getByRole('button', { name: 'Open recipe No. 1' }).click();
await page.getByTestId('words').waitFor();
await take('editor');
await page.getByRole('button', { name: 'All recipes' }).click();
await stage('Look');
await take('look');
await stage('Plan');
await take('plan');
await stage('Draw');
await page.getByText(/Step 1 of/).waitFor();
// The first step leaves paper bare; the second is a pencil.
await page.keyboard.press('d');
await page.getByText(/Step 2 of/).waitFor();
await take('draw');
await page.keyboard.press('u');
await page.getByText(/Step 1 of/).waitFor();
await stage('Compare');
await take('compare');
await page.getByRole('button', { name: 'Dim studio' }).click();
await stage('Match');
await page.getByRole('button', { name: /Buoy, light red has a recipe/ }).click();
await take('dim');
await browser.close();
