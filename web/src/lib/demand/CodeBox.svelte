<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { offered } from '$lib/queries';

  /** A filter for one code of a table, found by code or name while it is typed. */
  interface Props {
    table: string;
    name: string;
    value: string;
    onchoose: (code: string) => void;
  }
  let { table, name, value, onchoose }: Props = $props();
  const id = $props.id();
  let typed = $state<string | undefined>();
  const found = createQuery(() => ({
    ...offered({ table, words: typed?.trim() || undefined }),
    enabled: typed !== undefined
  }));

  function type(text: string) {
    typed = text;
    if (text.trim() === '' || (found.data ?? []).some((row) => row.code === text.trim()))
      onchoose(text.trim());
  }
</script>

<label class="chip">
  {name}
  <input
    class="w-[110px] bg-transparent outline-none"
    list="codes-{id}"
    autocomplete="off"
    placeholder="code or name"
    value={typed ?? value}
    onfocus={() => (typed = value)}
    oninput={(e) => type(e.currentTarget.value)}
    onchange={(e) => onchoose(e.currentTarget.value.trim())}
    onblur={() => (typed = undefined)}
  />
</label>
<datalist id="codes-{id}">
  {#each found.data ?? [] as row (row.code)}<option value={row.code}>{row.name ?? ''}</option>{/each}
</datalist>
