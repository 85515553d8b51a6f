import { useQueryClient } from '@tanstack/svelte-query';
import { answer, api, Refused, type Schemas } from '$lib/api/client';

const asText = {
  bodySerializer: (body: unknown) => String(body),
  headers: { 'Content-Type': 'text/csv' }
};

/** A file of postings, as of a day's scans: looked at first, then posted one by one. */
export class PostingFile {
  readonly #client = useQueryClient();
  #text = '';
  name = $state<string | undefined>();
  /** What it would come to, or came to. */
  postings = $state.raw<Schemas['FilePostings'] | undefined>();
  done = $state(false);
  busy = $state(false);
  refused = $state<string | undefined>();
  /** All that is wrong with a file that cannot be read. */
  faults = $state.raw<string[]>([]);

  async look(file: File | undefined): Promise<void> {
    if (!file) return;
    this.name = file.name;
    this.postings = undefined;
    this.done = false;
    this.#text = await file.text();
    await this.#ask(async () => {
      this.postings = await answer(api.POST('/api/stock/file/preview', { body: this.#text, ...asText }));
    });
  }

  async post(): Promise<void> {
    if (!this.postings || this.done || this.busy) return;
    await this.#ask(async () => {
      this.postings = await answer(api.POST('/api/stock/file', { body: this.#text, ...asText }));
      this.done = true;
      await this.#client.invalidateQueries({ queryKey: ['plan'] });
    });
  }

  leave(): void {
    this.name = undefined;
    this.postings = undefined;
    this.refused = undefined;
    this.faults = [];
  }

  async #ask(what: () => Promise<void>): Promise<void> {
    this.busy = true;
    this.refused = undefined;
    this.faults = [];
    try {
      await what();
    } catch (e) {
      this.refused = (e as Error).message;
      this.faults = (e instanceof Refused && e.problem.wrong) || [];
    } finally {
      this.busy = false;
    }
  }
}
