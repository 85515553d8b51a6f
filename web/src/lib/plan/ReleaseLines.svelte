<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { count, date, longDate, money, quantity } from '$lib/format';

  /** The lines of an order that would go out: what, how much, for how much, for which day. */
  interface Props {
    document: Schemas['ReleaseDocument'];
    /** What would be counted for an earlier need, by the key of its line. */
    earlier: Map<string, Schemas['Earlier']>;
    /** Keys of what goes because it brings parts to a subcontractor. */
    brought: Set<string>;
    today: string;
    currency: string;
    /** One order goes instead of another. */
    onswap: (key: string, instead: string) => void;
  }
  let { document, earlier, brought, today, currency, onswap }: Props = $props();
</script>

<table class="grid-table">
  <tbody>
    {#each document.lines as line (line.key)}
      <tr>
        <td class="w-[38%]"><b>{line.item}</b> {line.itemName}</td>
        <td class="num"
          >{quantity(line.unitQuantity)} <small class="text-ink-3">{line.unit}</small>
          {#if line.unit !== line.itemUnit}<br /><small class="text-ink-3"
              >{quantity(line.quantity)} {line.itemUnit}</small
            >{/if}</td
        >
        <td class="num"
          >{line.unitPrice !== undefined && line.unitPrice !== null
            ? money(line.unitPrice, currency)
            : ''}</td
        >
        <td class="num"
          >{line.value !== undefined && line.value !== null ? money(line.value, currency) : '–'}</td
        >
        <td class="num" title={longDate(line.due)}
          >{#if line.due !== line.asked}<s class="text-ink-3" title={longDate(line.asked)}
              >{date(line.asked, today)}</s
            ><br />{/if}<span class:text-vermilion={line.daysLate > 0}>{date(line.due, today)}</span></td
        >
      </tr>
      {#if line.daysLate > 0}
        <tr
          ><td colspan="5" class="text-vermilion"
            >{line.due === line.asked ? 'It can ordinarily be there on' : 'It goes out for'}
            {date(line.possible ?? line.due, today)}, {count(line.daysLate, 'day')} after {date(
              line.asked,
              today
            )}, when it is needed.</td
          ></tr
        >
      {/if}
      {#if brought.has(line.key)}
        <tr
          ><td colspan="5" class="text-ink-2"
            >Goes with the order to {document.siteName}: it brings its parts.</td
          ></tr
        >
      {/if}
      {#if earlier.has(line.key)}
        {@const e = earlier.get(line.key)}
        <tr
          ><td colspan="5" class="text-vermilion" data-testid="earlier"
            >It will be counted for {date(e?.counted ?? '', today)}, {count(e?.days ?? 0, 'day')} earlier.
            {#if e?.instead}<button
                type="button"
                class="link"
                onclick={() => onswap(line.key, e?.instead ?? line.key)}
                >Release the earlier one instead</button
              >{/if}</td
          ></tr
        >
      {/if}
    {/each}
  </tbody>
</table>
