import { createMutation, createQuery, useQueryClient, type CreateQueryResult } from '@tanstack/svelte-query';
import { answer, api, Refused, type Schemas } from '$lib/api/client';
import { count, documentName } from '$lib/format';
import { halfTyped, keepHalfTyped } from '$lib/half-typed.svelte';
import { planSeen } from '$lib/plan-seen';
import { releasePreview } from '$lib/queries';
import { rights } from '$lib/rights.svelte';
import { trial } from '$lib/trial.svelte';
import type { Panes } from './panes.svelte';
import type { PlannedOrder } from './plan.svelte';

type Document = Schemas['ReleaseDocument'];

/** What would be created from the chosen orders, what is said about it, and its creation. Made while its pane comes. */
export class Releasing {
  readonly #client = useQueryClient();
  note = $state('');
  /** By supplier and site, so that a note stays when other lines come or the first one gets another key. */
  #notes = $state<Record<string, string>>({});
  /** As they were sent: asked again, they must be the same. */
  #sent: Record<string, string> = {};
  firmOnly = $state(false);
  leaveOut = $state(false);
  /** What cannot be there in time goes out with the day on which it can. */
  asPossible = $state(true);
  /** So far ahead what else a supplier brings is looked for. */
  weeks = $state(4);
  created = $state.raw<Schemas['Answer'] | undefined>();
  refused = $state<string | undefined>();
  /** One key for this press: repeated after a lost connection it cannot release twice. */
  #command = crypto.randomUUID();
  /** The press went out and no answer came: it may have been carried out, and only asking again tells. */
  unanswered = $state(false);
  #sending = $state(false);
  /** The plan in which these orders were first looked at here. */
  #seen = $state<number | undefined>();
  /** How much of what happened since then was looked at. */
  #known = $state(0);

  readonly preview: CreateQueryResult<Schemas['ReleasePreview']>;

  constructor(
    private readonly panes: Panes,
    private readonly keys: () => string[]
  ) {
    const was = halfTyped<{ note: string; notes: Record<string, string> } | null>('release');
    this.note = was?.note ?? '';
    this.#notes = was?.notes ?? {};
    keepHalfTyped('release', () =>
      this.created ? null : { keys: this.keys(), note: this.note, notes: $state.snapshot(this.#notes) }
    );
    this.preview = createQuery(() => ({
      ...releasePreview({ seen: this.#seen, orders: keys(), asPossible: this.asPossible, weeks: this.weeks }),
      enabled: this.created === undefined && !this.unanswered && !this.#sending
    }));
    $effect(() => {
      if (this.#seen === undefined && this.preview.data) this.#seen = this.preview.data.version;
    });
  }

  readonly since = $derived.by(() => this.preview.data?.since ?? []);
  readonly documents = $derived.by(() => this.preview.data?.documents ?? []);
  readonly obstacles = $derived.by(() => this.preview.data?.obstacles ?? []);
  readonly gone = $derived.by(() => this.preview.data?.gone ?? []);
  readonly earlier = $derived.by(() => new Map((this.preview.data?.earlier ?? []).map((e) => [e.key, e])));
  /** Transfers that go because an order goes whose parts they bring. */
  readonly brought = $derived.by(() => new Set(this.preview.data?.brought ?? []));
  readonly lines = $derived(this.documents.reduce((n, d) => n + d.lines.length, 0));
  /** `2 purchase orders, 1 transfer`. */
  readonly summary = $derived.by(() => {
    const kinds = [...new Set(this.documents.map((d) => d.kind))];
    return kinds
      .map((k) => count(this.documents.filter((d) => d.kind === k).length, documentName(k)))
      .join(', ');
  });
  /** Lines that cannot be there in time and whose date can still be chosen. */
  readonly late = $derived(this.documents.flatMap((d) => d.lines).filter((l) => l.daysLate > 0 && l.dated));
  /** Something happened since these orders were chosen, and nobody has said that they are still wanted. */
  readonly toConfirm = $derived(this.since.length > this.#known);
  readonly #whole = $derived.by(
    () =>
      !this.preview.isPlaceholderData &&
      this.documents.length > 0 &&
      (this.obstacles.length === 0 || this.leaveOut) &&
      this.gone.length === 0
  );
  readonly ready = $derived(!trial.on && (this.unanswered || (rights.releases() && this.#whole)));
  /** What the button does now. */
  readonly doing = $derived.by(() => {
    if (this.creation.isPending) return 'Releasing …';
    if (this.unanswered) return 'Ask again';
    if (this.firmOnly) return `Firm ${this.lines} …`;
    return this.toConfirm ? 'Yes, still wanted' : `Release ${this.lines}`;
  });

  readonly creation = createMutation(() => ({
    onMutate: () => {
      this.#sending = true;
      planSeen.deciding();
    },
    onSettled: () => {
      this.#sending = false;
      planSeen.answeredDecision();
    },
    mutationFn: () =>
      answer(
        api.POST('/api/releases', {
          params: { header: { 'Idempotency-Key': this.#command } },
          body: {
            seen: this.preview.data?.version ?? 0,
            orders: this.keys(),
            leaveOut: this.leaveOut,
            asPossible: this.asPossible,
            note: this.note.trim() || undefined,
            notes: this.#sent
          }
        })
      ),
    onSuccess: (done) => {
      this.created = done;
      this.refused = undefined;
      this.unanswered = false;
      this.panes.out(this.keys());
    },
    onError: (e) => {
      this.unanswered = e instanceof Refused && e.problem.status === 0;
      this.refused = this.unanswered
        ? 'No answer came, so the orders may or may not have been released. Ask again: nothing can be released twice.'
        : e.message;
      if (!this.unanswered) {
        this.#command = crypto.randomUUID();
        void this.#client.invalidateQueries({ queryKey: ['plan'] });
      }
    }
  }));

  /** What else a supplier brings to the same site and is due within the chosen time. */
  more(document: Document): PlannedOrder[] {
    const of = this.preview.data?.more.find(
      (m) => m.supplier === document.supplier && m.site === document.site
    );
    return of?.orders.filter((o) => !this.keys().includes(o.key)) ?? [];
  }

  noteOf(document: Document): string {
    return this.#notes[nameOf(document)] ?? '';
  }

  writeNote(document: Document, text: string): void {
    this.#notes = { ...this.#notes, [nameOf(document)]: text };
  }

  /** The notes by the first line of each document, as the server asks for them. */
  #written(): Record<string, string> {
    return Object.fromEntries(
      this.documents.flatMap((d) => {
        const text = this.noteOf(d);
        return d.lines[0] && text ? [[d.lines[0].key, text]] : [];
      })
    );
  }

  /** Goes on by a step: takes out what is gone, firms, confirms, or creates the orders. */
  press(): void {
    if (this.gone.length > 0 && !this.unanswered) this.panes.takeOut(this.gone);
    else if (this.firmOnly) this.panes.firm(this.keys());
    else if (this.toConfirm && !this.unanswered) this.#known = this.since.length;
    else if (this.ready && !this.creation.isPending && this.created === undefined) {
      if (!this.unanswered) this.#sent = this.#written();
      this.creation.mutate();
    }
  }
}

function nameOf(document: Document): string {
  return `${document.supplier}~${document.site}`;
}
