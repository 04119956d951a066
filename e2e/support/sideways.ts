/** What is wider than the screen: at 200 % of zoom, and on a phone, nothing scrolls sideways. */
import type { Page } from '@playwright/test';

/** The widest things that stick out, each with how far; scrolling regions of their own may hold what they like. */
export const sideways = (page: Page, where: string): Promise<string[]> =>
  page.evaluate((at) => {
    const wide = document.documentElement.clientWidth;
    if (document.documentElement.scrollWidth <= wide) return [];
    const inScroller = (element: Element): boolean => {
      for (let up = element.parentElement; up; up = up.parentElement)
        if (/auto|scroll|hidden/.test(getComputedStyle(up).overflowX)) return true;
      return false;
    };
    const out = [...document.querySelectorAll('body *')].flatMap((element) => {
      const { right } = element.getBoundingClientRect();
      if (right <= wide + 1 || inScroller(element)) return [];
      const text = element.textContent?.trim().slice(0, 30);
      return [
        `${at}: <${element.tagName.toLowerCase()}> “${text}” ends at ${Math.round(right)} of ${wide}`,
      ];
    });
    return out.length > 0
      ? out.slice(-3)
      : [`${at}: ${document.documentElement.scrollWidth} of ${wide}`];
  }, where);
