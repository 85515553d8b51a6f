<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { clock, date, dayOf } from '$lib/format';
  import { demandHref } from '$lib/links';
  import { mails } from '$lib/queries';

  /** What was sent by mail: about one document, or about all. */
  let { about, today }: { about?: string; today: string } = $props();
  const sent = createQuery(() => mails(about));
</script>

{#if sent.data && sent.data.length > 0}
  <ul data-testid="mails">
    {#each sent.data as mail (mail.id)}
      <li class="grid grid-cols-[108px_minmax(0,1fr)_minmax(0,1fr)_90px] gap-2 border-b border-line-2 py-1">
        <span class="text-ink-2">{date(dayOf(mail.madeAt), today)} {clock(mail.madeAt)}</span>
        <span class="truncate"
          >{#if about}{mail.subject}{:else}<a class="link" href={demandHref(mail.about)}>{mail.subject}</a
            >{/if}
          <small class="text-ink-3">{mail.name}</small></span
        >
        <span class="truncate" title={mail.message}
          >{mail.recipient}{#if mail.failure}<b class="text-vermilion"> {mail.failure}</b>{/if}</span
        >
        <span class="text-right"
          ><a class="link" href="/api/mails/{mail.id}/attachment" target="_blank" rel="noopener"
            >{mail.attachmentName}</a
          ><br /><small class="text-ink-3">{mail.sentAt ? 'sent' : mail.failure ? 'not sent' : 'waits'}</small
          ></span
        >
      </li>
    {/each}
  </ul>
{:else if sent.data && !about}
  <p class="text-ink-2">Nothing has been sent yet. A customer order is confirmed from its page.</p>
{/if}
