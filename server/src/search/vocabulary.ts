/**
 * All words that anything is found by, in this process's memory: which begin so, which are a slip away. The
 * table is the truth; what another server added is read before each search.
 */
import SearchableMap from 'minisearch/SearchableMap';
import type { Sequelize } from 'sequelize';
import { raw } from '../store/raw';

interface WordRow {
  readonly id: number;
  readonly word: string;
}

/** From so many letters on one may be wrong, and from so many two. */
const ONE_SLIP = 4;
const TWO_SLIPS = 8;

export interface Meant {
  /** Ids of the words it may stand for. */
  readonly words: readonly number[];
  /** What it was read as, where it stands nowhere as it was typed. */
  readonly readAs?: string;
}

export class Vocabulary {
  #words = new SearchableMap<number>();
  #last = 0;

  async refresh(sequelize: Sequelize): Promise<void> {
    const rows = await raw<WordRow[]>(
      sequelize,
      'SELECT id, word FROM found_words WHERE id > ? ORDER BY id',
      [this.#last],
    );
    for (const { id, word } of rows) {
      this.#words.set(word, id);
      this.#last = id;
    }
  }

  /** The database may be another one now. */
  forget(): void {
    this.#words = new SearchableMap();
    this.#last = 0;
  }

  /**
   * @param most - Of the words that begin so, the shortest.
   * @returns without words where nothing comes near.
   */
  meant(typed: string, most: number): Meant {
    const exact = this.#words.get(typed);
    const begun = typed.length > 1 ? [...this.#words.atPrefix(typed)] : [];
    if (exact !== undefined || begun.length > 0) {
      const shortest = begun.sort(([a], [b]) => a.length - b.length || (a < b ? -1 : 1));
      const ids = shortest.slice(0, most).map(([, id]) => id);
      return { words: exact === undefined ? ids : [...new Set([exact, ...ids])] };
    }
    const slips = typed.length >= TWO_SLIPS ? 2 : typed.length >= ONE_SLIP ? 1 : 0;
    if (slips === 0) return { words: [] };
    const near = [
      // Two letters that changed places are one slip, and the commonest.
      ...swapped(typed).flatMap((word) => {
        const id = this.#words.get(word);
        return id === undefined ? [] : [{ word, id, distance: 1 }];
      }),
      ...[...this.#words.fuzzyGet(typed, slips)].map(([word, [id, distance]]) => ({
        ...{ word, id, distance },
      })),
    ];
    const least = Math.min(...near.map(({ distance }) => distance));
    const nearest = near.filter(({ distance }) => distance === least);
    const [first] = nearest;
    if (!first) return { words: [] };
    return {
      words: nearest.slice(0, most).map(({ id }) => id),
      readAs: nearest.map(({ word }) => word).sort()[0]!,
    };
  }
}

function swapped(word: string): string[] {
  return Array.from(
    { length: word.length - 1 },
    (_, i) => word.slice(0, i) + word[i + 1]! + word[i]! + word.slice(i + 2),
  );
}
