import type { Page } from '@playwright/test';

/** Presses keys and counts those that are no part of a number, nor the Enter that takes it. */
export class Keys {
  besidesDigits = 0;
  constructor(private readonly page: Page) {}

  async press(key: string): Promise<void> {
    if (!/^[\d.]$/.test(key)) this.besidesDigits += 1;
    await this.page.keyboard.press(key);
  }

  async type(text: string): Promise<void> {
    for (const key of text) await this.press(key);
  }

  /** A number with its Enter. */
  async takes(reading: string): Promise<void> {
    await this.page.keyboard.type(reading);
    await this.page.keyboard.press('Enter');
  }
}
