import { browser } from '$app/environment';

export interface Shortcut {
  /** One key, or `g p` for two in a row. */
  keys: string;
  says: string;
  /** Other words by which it is found. */
  also?: string;
  run: () => void;
}

/** The keys that act now: those of the frame and those of the page in view. */
class Shortcuts {
  #groups = $state<Record<string, Shortcut[]>>({});
  #pending = '';

  all = $derived(Object.values(this.#groups).flat());

  /** Registers keys while a component is in view; returns what takes them away again. */
  register(group: string, shortcuts: Shortcut[]): () => void {
    this.#groups[group] = shortcuts;
    return () => {
      delete this.#groups[group];
    };
  }

  handle(event: KeyboardEvent): void {
    const target = event.target as HTMLElement | null;
    const typing = target?.closest('input, textarea, select, [role=dialog]') !== null;
    if (event.ctrlKey || event.metaKey || event.altKey || typing) return;
    const pressed = this.#pending ? `${this.#pending} ${event.key}` : event.key;
    const found = this.all.find((s) => s.keys.split(', ').includes(pressed));
    const begins = this.all.some((s) => s.keys.startsWith(`${pressed} `));
    this.#pending = begins ? pressed : '';
    if (found) {
      event.preventDefault();
      found.run();
    }
  }
}

export const shortcuts = new Shortcuts();

export type Theme = 'system' | 'light' | 'dark';

/** The theme: the system's, or one chosen here and kept in this browser. */
class Look {
  theme = $state<Theme>(((browser && localStorage.getItem('theme')) as Theme) || 'system');

  choose(theme: Theme): void {
    this.theme = theme;
    localStorage.setItem('theme', theme);
    if (theme === 'system') delete document.documentElement.dataset.theme;
    else document.documentElement.dataset.theme = theme;
  }

  /** The other of light and dark than the one in sight. */
  toggle(): void {
    const system = matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light';
    this.choose((this.theme === 'system' ? system : this.theme) === 'dark' ? 'light' : 'dark');
  }
}

export const look = new Look();
