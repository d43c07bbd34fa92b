import type { Channel } from '../db/index.ts';

export type News = Channel;

interface Listener {
  onNews(news: News): void;
  /** Nothing more will be told. */
  onEnd(): void;
}

/** Those who look at a page and want to be told that there is something to look at anew. */
export interface NewsDesk {
  tell(news: News): void;
  /** @returns how to be told no more. */
  listen(listener: Listener): () => void;
  end(): void;
}

/** What is told again within this time is told once. */
const GATHERED = 500;

export function newsDesk(): NewsDesk {
  const listeners = new Set<Listener>();
  const waiting = new Set<News>();
  return {
    tell(news) {
      if (waiting.has(news)) return;
      waiting.add(news);
      setTimeout(() => {
        waiting.delete(news);
        for (const { onNews } of listeners) onNews(news);
      }, GATHERED).unref();
    },
    listen(listener) {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
    end() {
      for (const { onEnd } of [...listeners]) onEnd();
    },
  };
}
