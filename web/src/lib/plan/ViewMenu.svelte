<script lang="ts">
  import { Popover } from 'bits-ui';
  import type { Schemas } from '$lib/api/client';
  import { fromAddress, toAddress } from '$lib/address';
  import { COLUMNS, columnsText, type Column } from './columns';
  import { GROUPING_NAMES, GROUPS, type Filters } from './filters';
  import SavedViews from '$lib/ui/SavedViews.svelte';
  import Field from './Field.svelte';
  import type { View } from '$lib/ui/views.svelte';

  interface Props {
    filters: Filters;
    columns: Column[];
    today: string;
    choices?: Schemas['Choices'];
    views: View[];
    onsave: (name: string) => void;
    onforget: (name: string) => void;
    onopen: (view: View) => void;
  }
  let { filters, columns, today, choices, views, onsave, onforget, onopen }: Props = $props();
  const more = $derived(
    [
      filters.group,
      filters.from,
      filters.to,
      filters.due,
      filters.worth,
      filters.late,
      filters.held,
      fromAddress('changed')
    ].filter(Boolean).length
  );

  function choose(column: Column, on: boolean) {
    void toAddress({
      columns: columnsText(on ? [...columns, column] : columns.filter((c) => c !== column))
    });
  }
</script>

<Popover.Root>
  <Popover.Trigger class="chip" aria-label="View: groups, columns, more filters, saved views">
    View{#if more > 0}&nbsp;<b>{more} more {more === 1 ? 'filter' : 'filters'}</b>{/if}
  </Popover.Trigger>
  <Popover.Portal>
    <Popover.Content
      class="z-20 grid w-[430px] gap-3 rounded border border-ink bg-sheet p-4"
      sideOffset={6}
      align="end"
    >
      <fieldset>
        <legend class="text-sm text-ink-3">Grouped by</legend>
        <div class="flex flex-wrap gap-x-4">
          {#each GROUPS as by (by)}
            <label class="flex items-center gap-1.5"
              ><input
                type="radio"
                name="by"
                checked={(filters.by ?? 'ask') === by}
                onchange={() => toAddress({ by: by === 'ask' ? undefined : by })}
              />{GROUPING_NAMES[by]}</label
            >
          {/each}
        </div>
      </fieldset>
      <fieldset>
        <legend class="text-sm text-ink-3">Columns</legend>
        <div class="flex flex-wrap gap-x-4">
          {#each Object.entries(COLUMNS) as [column, { name }] (column)}
            <label class="flex items-center gap-1.5"
              ><input
                type="checkbox"
                checked={columns.includes(column as Column)}
                onchange={(e) => choose(column as Column, e.currentTarget.checked)}
              />{name}</label
            >
          {/each}
        </div>
      </fieldset>
      <fieldset class="grid grid-cols-2 gap-2">
        <legend class="text-sm text-ink-3">More filters</legend>
        <label
          >Item group<select
            class="field w-full"
            value={filters.group ?? ''}
            onchange={(e) => toAddress({ group: e.currentTarget.value || undefined })}
            ><option value="">all</option>{#each choices?.groups ?? [] as g (g.code)}<option value={g.code}
                >{g.name}</option
              >{/each}</select
          ></label
        >
        <label
          >Held<select
            class="field w-full"
            value={filters.held ?? ''}
            onchange={(e) => toAddress({ held: e.currentTarget.value || undefined })}
            ><option value="">shown too</option><option value="only">only these</option><option value="none"
              >left out</option
            ></select
          ></label
        >
        <label
          >Changed<select
            class="field w-full"
            value={fromAddress('changed') ?? ''}
            onchange={(e) => toAddress({ changed: e.currentTarget.value || undefined })}
            ><option value="">or not</option><option value="only">since my last visit</option></select
          ></label
        >
        <label
          >Item from<input
            class="field w-full"
            value={filters.from ?? ''}
            onchange={(e) => toAddress({ from: e.currentTarget.value.trim().toUpperCase() || undefined })}
          /></label
        >
        <label
          >Item to<input
            class="field w-full"
            value={filters.to ?? ''}
            onchange={(e) => toAddress({ to: e.currentTarget.value.trim().toUpperCase() || undefined })}
          /></label
        >
        <Field
          name="Due to"
          {today}
          value={filters.due ?? ''}
          onchange={(v) => toAddress({ due: v || undefined })}
        />
        <label
          >Value at least<input
            class="field w-full"
            inputmode="decimal"
            value={filters.worth ?? ''}
            onchange={(e) => toAddress({ worth: e.currentTarget.value.trim() || undefined })}
          /></label
        >
        <label class="col-span-2 flex items-center gap-1.5"
          ><input
            type="checkbox"
            checked={filters.late ?? false}
            onchange={(e) => toAddress({ late: e.currentTarget.checked ? 'yes' : undefined })}
          />only what makes a customer order late</label
        >
      </fieldset>
      <SavedViews {views} {onsave} {onforget} {onopen} />
    </Popover.Content>
  </Popover.Portal>
</Popover.Root>
