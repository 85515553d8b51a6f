<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { foundBy } from '$lib/queries';

  /** An item by code or name; the value is a code that there is, or empty. */
  interface Props {
    name?: string;
    value?: string;
    fault?: string;
    onchange?: (code: string) => void;
  }
  let { name = 'Item', value = $bindable(), fault, onchange }: Props = $props();
  let typed = $state('');
  const id = $props.id();
  const found = createQuery(() => ({ ...foundBy(typed), enabled: typed.trim() !== '' }));
  const items = $derived((found.data ?? []).filter((f) => f.kind === 'item'));
  /** It is asked for, and no item has this code. */
  const unknown = $derived(
    typed.trim() !== '' &&
      found.isSuccess &&
      !found.isFetching &&
      !found.isPlaceholderData &&
      value === '' &&
      items.every((i) => !i.code.toLowerCase().startsWith(typed.trim().toLowerCase()))
  );

  $effect(() => {
    const code = items.find((i) => i.code.toLowerCase() === typed.trim().toLowerCase())?.code ?? '';
    if (typed.trim() !== '' && code !== (value ?? '')) {
      value = code;
      onchange?.(code);
    }
  });
</script>

<label class="grid gap-0.5">
  <span class="text-sm text-ink-2">{name}</span>
  <input
    class="field w-[132px]"
    list="items-{id}"
    placeholder="code or name"
    autocomplete="off"
    value={typed || value || ''}
    oninput={(e) => (typed = e.currentTarget.value)}
  />
  <datalist id="items-{id}">
    {#each items.filter((i) => !i.retired) as item (item.code)}<option value={item.code}>{item.name}</option
      >{/each}
  </datalist>
  {#if unknown || fault}<small class="text-vermilion" role="alert"
      >{fault ??
        (items[0] ? `no item has this code; did you mean ${items[0].code}?` : 'no item has this code')}</small
    >{/if}
</label>
