<script lang="ts">
  import { Dialog } from 'bits-ui';
  import { date, quantity } from '$lib/format';
  import { formats, type Formats } from '$lib/formats.svelte';

  let { open = $bindable() }: { open: boolean } = $props();
  const DATES: [Formats['date'], string][] = [
    ['words', '9 Dec'],
    ['dots', '9.12.'],
    ['day-first', '9/12'],
    ['month-first', '12/9'],
    ['iso', '2026-12-09']
  ];
  const WEEKS: [Formats['week'], string][] = [
    [1, 'Monday'],
    [0, 'Sunday'],
    [6, 'Saturday']
  ];
</script>

<Dialog.Root bind:open>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-30 bg-black/30" />
    <Dialog.Content
      class="fixed top-[10vh] left-1/2 z-30 max-h-[86vh] w-[420px] max-w-[94vw] -translate-x-1/2 overflow-auto rounded border border-ink bg-slip p-4 text-ink"
    >
      <Dialog.Title class="mb-2 text-lg font-bold">Dates and numbers</Dialog.Title>
      <div class="grid grid-cols-[minmax(0,1fr)_160px] items-center gap-x-3 gap-y-2">
        <label for="format-date">Date</label>
        <select
          id="format-date"
          class="field"
          value={formats.now.date}
          onchange={(e) => formats.choose({ date: e.currentTarget.value as Formats['date'] })}
        >
          {#each DATES as [way, says] (way)}<option value={way}>{says}</option>{/each}
        </select>
        <label for="format-decimal">Decimal sign</label>
        <select
          id="format-decimal"
          class="field"
          value={formats.now.decimal}
          onchange={(e) => formats.choose({ decimal: e.currentTarget.value as Formats['decimal'] })}
        >
          <option value=".">point</option><option value=",">comma</option>
        </select>
        <label for="format-thousands">Thousands</label>
        <select
          id="format-thousands"
          class="field"
          value={formats.now.thousands}
          onchange={(e) => formats.choose({ thousands: e.currentTarget.value as Formats['thousands'] })}
        >
          <option value=" ">narrow space</option><option value=",">comma</option><option value="."
            >point</option
          ><option value="">nothing</option>
        </select>
        <label for="format-week">A week begins on</label>
        <select
          id="format-week"
          class="field"
          value={String(formats.now.week)}
          onchange={(e) => formats.choose({ week: Number(e.currentTarget.value) as Formats['week'] })}
        >
          {#each WEEKS as [day, says] (day)}<option value={String(day)}>{says}</option>{/each}
        </select>
      </div>
      <p class="mt-3 text-ink-2">
        So it looks: <b class="text-ink" data-testid="format-sample"
          >{date('2027-12-09', '2026-01-01')} · {quantity(1250.5)}</b
        >. Typed dates may stand in any of these ways.
      </p>
      <Dialog.Close class="plain-action mt-3">Close</Dialog.Close>
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
