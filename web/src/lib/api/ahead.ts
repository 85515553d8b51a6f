/**
 * Answers that the page asked for (`app.html`) before the program was there to ask. Each is used once, by the first who
 * asks for the very same thing.
 */
export class Ahead {
  constructor(private readonly begun: Map<string, Promise<Response>>) {}

  /** Fetches, or takes what is already on its way. */
  readonly fetch = async (request: Request): Promise<Response> => {
    const here = new URL(request.url);
    const address = here.pathname + here.search;
    const begun = this.begun.get(address);
    this.begun.delete(address);
    const plain =
      request.method === 'GET' && [...request.headers.keys()].every((h) => !/^(plan|week)-/.test(h));
    if (!begun || !plain) return fetch(request);
    try {
      return await begun;
    } catch {
      return fetch(request);
    }
  };
}

declare global {
  interface Window {
    /** By address; set by the page. */
    askedAhead?: Map<string, Promise<Response>>;
  }
}
