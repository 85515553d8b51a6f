<script lang="ts">
  import { begins } from '$lib/ui/begins';
  import { createQuery } from '@tanstack/svelte-query';
  import { offered } from '$lib/queries';

  /** Whose it is: a supplier by his code, or by his name where he alone is called so. */
  interface Props {
    /** Of one that is known; empty: none is chosen. */
    supplier: string;
    autofocus?: boolean;
    onchange: (code: string) => void;
  }
  let { supplier, autofocus = false, onchange }: Props = $props();
  const id = $props.id();
  let words = $state<string | undefined>();
  const suppliers = createQuery(() => offered({ table: 'suppliers', words: words?.trim() || undefined }));

  const meant = $derived((suppliers.data ?? []).find((s) => s.code === words?.trim())?.code ?? '');
  // nothing is entered for another supplier than the one that stands there
  $effect(() => {
    if (words !== undefined && meant !== supplier) onchange(meant);
  });

  /** Who is called by his name, or a part of it, is found if he alone is, once it is typed. */
  let typing = $state(false);
  $effect(() => {
    const [only, ...others] = suppliers.data ?? [];
    if (!typing && words?.trim() && !meant && !suppliers.isFetching && only && others.length === 0)
      words = only.code;
  });
</script>

<label
  >Supplier
  <input
    class="field"
    list="suppliers-{id}"
    autocomplete="off"
    placeholder="code or name"
    {@attach begins(() => autofocus)}
    value={words ?? supplier}
    oninput={(e) => {
      typing = true;
      words = e.currentTarget.value;
    }}
    onchange={() => (typing = false)}
  /></label
>
<datalist id="suppliers-{id}">
  {#each suppliers.data ?? [] as row (row.code)}<option value={row.code}>{row.name ?? ''}</option>{/each}
</datalist>
