import { SvelteMap } from 'svelte/reactivity';

/** Below this nobody wants to end it. */
const SOON = 1000;
const NAME = 'Calculation';
const OURS = Math.random().toString(36).slice(2);

/**
 * Calculations that this page asked for and that are not here yet. What nobody waits for any more, because its screen was
 * left or something else was typed, is ended on the server too.
 */
export class Asked {
  private readonly underWay = new SvelteMap<string, number>();
  private now = $state(0);
  private count = 0;

  constructor(private readonly tell: (name: string) => void) {}

  /** Whether one takes long enough for somebody to want to end it. */
  get long(): boolean {
    return [...this.underWay.values()].some((begun) => this.now - begun >= SOON);
  }

  /** Names a request that asks for a calculation. */
  begin(request: Request, at: number): void {
    const name = `${OURS}-${++this.count}`;
    request.headers.set(NAME, name);
    this.underWay.set(name, at);
    request.signal.addEventListener('abort', () => {
      if (this.underWay.delete(name)) this.tell(name);
    });
  }

  /** There is an answer, or none will come. */
  over(request: Request): void {
    const name = request.headers.get(NAME);
    if (name !== null) this.underWay.delete(name);
  }

  /** So late is it now. */
  tick(at: number): void {
    if (this.underWay.size > 0) this.now = at;
  }

  /** Ends all of them; each is then answered with a refusal. */
  end(): void {
    for (const name of this.underWay.keys()) this.tell(name);
  }
}

/** Whether another plan than the live one is made for the answer. */
export function calculates(request: Request): boolean {
  const path = request.url.replace(/^\w+:\/\/[^/]*/, '').replace(/\?.*/, '');
  return (
    path.startsWith('/api/what-ifs/') ||
    [
      '/api/decisions/preview',
      '/api/decisions/offers',
      '/api/releases/preview',
      '/api/promise',
      '/api/promise/ways'
    ].includes(path) ||
    request.headers.has('Plan-What-If') ||
    request.headers.has('Plan-Without')
  );
}
