/**
 * Words that are too faint on their ground: WCAG 2.2, 1.4.3. The ground is what the word's elements have for
 * one, from the page downwards. axe's own rule asks the browser what lies behind each word, which is four
 * fifths of its whole work; it is held against this one where a screen has most colours.
 */
import type axe from 'axe-core';
import type { Page } from '@playwright/test';

/** What axe reckons with; its types leave it out. */
interface Colour {
  alpha: number;
  parseString(css: string): unknown;
  toHexString(): string;
}
interface Colours {
  readonly Color: new (red: number, green: number, blue: number, alpha?: number) => Colour;
  getContrast(ground: Colour, ink: Colour): number;
  flattenColors(over: Colour, under: Colour): Colour;
}

/** One line per element with words that are too faint; axe is on the page already. */
export const faint = (page: Page, where: string): Promise<string[]> =>
  page.evaluate((at) => {
    const { Color, getContrast, flattenColors } = (
      window as unknown as { axe: typeof axe & { commons: { color: Colours } } }
    ).axe.commons.color;
    const parsed = (css: string, share: number) => {
      const colour = new Color(0, 0, 0);
      colour.parseString(css);
      colour.alpha *= share;
      return colour;
    };
    const own = (element: Element): string =>
      element.matches('input:not([type=checkbox], [type=radio]), textarea, select')
        ? (element as HTMLInputElement).value
        : [...element.childNodes]
            .map((node) => (node.nodeType === 3 ? node.nodeValue : ''))
            .join('');
    const lines: string[] = [];
    const walk = (element: Element, under: Colour, above: number) => {
      // A picture's words are judged with the picture.
      if (!(element instanceof HTMLElement) || element.matches(':disabled, [aria-disabled=true]'))
        return;
      const style = getComputedStyle(element);
      if (style.display === 'none') return;
      const share = above * Number(style.opacity);
      const ground = flattenColors(parsed(style.backgroundColor, share), under);
      for (const child of element.children) walk(child, ground, share);
      const words = own(element).trim();
      const { width } = element.getBoundingClientRect();
      if (!words || width <= 1 || style.visibility !== 'visible' || share === 0) return;
      const ink = flattenColors(parsed(style.color, share), ground);
      const size = parseFloat(style.fontSize);
      const large = size >= 24 || (size >= 18.66 && Number(style.fontWeight) >= 700);
      const contrast = getContrast(ground, ink);
      if (contrast >= (large ? 3 : 4.5)) return;
      lines.push(
        `${at}: “${words.slice(0, 30)}”, ${ink.toHexString()} on ${ground.toHexString()}, is ${contrast.toFixed(2)}`,
      );
    };
    walk(document.documentElement, new Color(255, 255, 255, 1), 1);
    return lines;
  }, where);
