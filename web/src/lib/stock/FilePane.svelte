<script lang="ts">
  import { count, said } from '$lib/format';
  import { rights } from '$lib/rights.svelte';
  import { escapes } from '$lib/ui/escapes';
  import Key from '$lib/ui/Key.svelte';
  import type { PostingFile } from './posting-file.svelte';

  /** The postings of a file, each with what it does or why it cannot be. */
  let { file }: { file: PostingFile } = $props();
  const all = $derived(file.postings);
</script>

<article class="px-5 pt-3 pb-6" aria-label="Postings of a file" {@attach escapes(() => file.leave())}>
  <header class="flex items-baseline gap-3">
    <h2 class="min-w-0 flex-1 truncate text-xl">{file.name}</h2>
    <button type="button" class="plain-action" onclick={() => file.leave()}
      >{file.done ? 'Back to the stock' : 'Leave it'} <Key name="Esc" /></button
    >
  </header>
  {#if file.busy}<p class="mt-2" role="status">{all ? 'Posting …' : 'Reading …'}</p>{/if}
  {#if file.refused}
    <div class="mt-2 border-l-4 border-vermilion bg-slip px-3 py-1.5" role="alert">
      <p>{file.refused}</p>
      {#if file.faults.length > 1}<ul>
          {#each file.faults as fault (fault)}<li>{fault}</li>{/each}
        </ul>{/if}
    </div>
  {/if}
  {#if all}
    <p class="mt-2" data-testid="sum">
      {#if file.done}<b>{count(all.posted, 'posting')}</b> {all.posted === 1 ? 'was' : 'were'} made{:else}<b
          >{count(all.posted, 'posting')}</b
        >
        can be made{/if}{#if all.before}, {all.before}
        {all.before === 1 ? 'was' : 'were'} made before{/if}{#if all.refused},
        <b class="text-vermilion">{all.refused} cannot be</b>{/if}.
    </p>
    {#if !file.done && all.posted > 0}
      <p class="mt-2">
        <button
          type="button"
          class="main-action"
          disabled={file.busy || !rights.stocks()}
          title={rights.stocks() ? '' : rights.noStock()}
          onclick={() => void file.post()}>Post {count(all.posted, 'posting')}</button
        >
        <span class="ml-2 text-ink-2">What cannot be stays out; each goes whole, or not at all.</span>
      </p>
    {/if}
    <table class="grid-table mt-3 w-full">
      <thead><tr><th class="text-left">Key</th><th class="text-left">What it does</th></tr></thead>
      <tbody>
        {#each all.postings as one (one.key)}
          <tr>
            <td class="align-top">{one.key}</td>
            <td class:text-ink-3={one.before}
              >{said(one.sentence)}{#if one.before}<span>, before</span>{/if}
              {#each one.refused as line, i (i)}<span class="block text-vermilion"
                  >{said(line.sentence)}{#if line.cures[0]}. <span class="text-ink-2"
                      >{said(line.cures[0].sentence)}</span
                    >{/if}</span
                >{/each}</td
            >
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
</article>
