/** What a gloved finger would miss: things to press that are smaller than 44 px either way. */
import type { Page } from '@playwright/test';

export const tooSmall = (page: Page, where: string): Promise<string[]> =>
  page.evaluate((at) => {
    const LEAST = 43.5;
    const pressed = 'a[href], button, select, textarea, input, summary, [role="tab"]';
    return [...document.querySelectorAll<HTMLElement>(pressed)].flatMap((element) => {
      // A box is pressed by its label; what stands in a sentence is as tall as its line.
      const target = element.closest('label') ?? element;
      const { width, height, top } = target.getBoundingClientRect();
      const hidden = width <= 1 || height <= 1 || element.closest('[aria-hidden="true"]') !== null;
      const skip = top < 0 && element.getAttribute('href') === '#content';
      const inText =
        element.matches('p a, p button') && getComputedStyle(element).display === 'inline';
      if (hidden || skip || inText || (width >= LEAST && height >= LEAST)) return [];
      const name = element.getAttribute('aria-label') ?? element.textContent?.trim().slice(0, 40);
      return [`${at}: “${name}” is ${Math.round(width)} × ${Math.round(height)}`];
    });
  }, where);
