<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { DropdownMenu } from 'bits-ui';
  import { answer, api, type Schemas } from '$lib/api/client';
  import { forecastSets } from '$lib/queries';
  import { look, type Theme } from '$lib/desk.svelte';
  import { initials } from '$lib/people.svelte';
  import { signOut } from '$lib/session';
  import Key from './Key.svelte';

  interface Props {
    person: Schemas['Person'];
    company: string;
    onformats: () => void;
  }
  let { person, company, onformats }: Props = $props();
  const client = useQueryClient();
  const THEMES: { value: Theme; name: string }[] = [
    { value: 'system', name: 'Theme of the system' },
    { value: 'light', name: 'Light theme' },
    { value: 'dark', name: 'Dark theme' }
  ];

  let open = $state(false);
  const NONE = '\u0000';
  const forecasts = createQuery(() => ({ ...forecastSets(), enabled: open && person.may.forecastSets }));
  const sets = $derived([
    ...(forecasts.data?.names ?? []).map((name) => ({ value: name, name })),
    { value: NONE, name: 'none' }
  ]);
  let refused = $state<string | undefined>();

  async function planWith(set: string) {
    refused = undefined;
    try {
      await answer(
        api.PUT('/api/forecast-sets/used', {
          body: set === NONE ? { none: true } : { name: set }
        })
      );
    } catch (e) {
      refused = (e as Error).message;
    }
    await client.invalidateQueries({ queryKey: ['plan'] });
  }
</script>

<DropdownMenu.Root bind:open>
  <DropdownMenu.Trigger
    class="grid h-[27px] w-[27px] place-items-center rounded-full bg-ink text-[11px] font-bold text-sheet"
    aria-label="{person.name}, {person.role.toLowerCase()}: menu"
    >{initials(person.name)}</DropdownMenu.Trigger
  >
  <DropdownMenu.Portal>
    <DropdownMenu.Content
      align="end"
      sideOffset={6}
      class="z-20 w-[210px] rounded border border-line bg-slip p-1 text-ink"
    >
      <div class="px-2 py-1.5">
        <b>{person.name}</b>, {person.role.toLowerCase()}<br /><span class="text-sm text-ink-2"
          >{company}</span
        >
      </div>
      <DropdownMenu.Separator class="my-1 h-px bg-line" />
      {#if forecasts.data && forecasts.data.names.length > 0}
        <DropdownMenu.RadioGroup value={forecasts.data.used ?? NONE} onValueChange={planWith}>
          <DropdownMenu.GroupHeading class="px-2 py-1 text-sm text-ink-2"
            >Plan with the forecast</DropdownMenu.GroupHeading
          >
          {#each sets as set (set.value)}
            <DropdownMenu.RadioItem
              value={set.value}
              class="flex cursor-pointer justify-between rounded px-2 py-1 data-highlighted:bg-marigold-tint"
            >
              {set.name}{#if (forecasts.data.used ?? NONE) === set.value}<span aria-hidden="true">•</span
                >{/if}
            </DropdownMenu.RadioItem>
          {/each}
        </DropdownMenu.RadioGroup>
        {#if refused}<p class="px-2 py-1 text-vermilion" role="alert">{refused}</p>{/if}
        <DropdownMenu.Separator class="my-1 h-px bg-line" />
      {/if}
      <DropdownMenu.RadioGroup value={look.theme} onValueChange={(value) => look.choose(value as Theme)}>
        {#each THEMES as theme (theme.value)}
          <DropdownMenu.RadioItem
            value={theme.value}
            class="flex cursor-pointer justify-between rounded px-2 py-1 data-highlighted:bg-marigold-tint"
          >
            {theme.name}{#if look.theme === theme.value}<span aria-hidden="true">•</span>{/if}
          </DropdownMenu.RadioItem>
        {/each}
      </DropdownMenu.RadioGroup>
      <DropdownMenu.Separator class="my-1 h-px bg-line" />
      <DropdownMenu.Item
        class="flex cursor-pointer justify-between rounded px-2 py-1 data-highlighted:bg-marigold-tint"
        onSelect={onformats}
      >
        Dates and numbers <span class="flex gap-1"><Key name="g" /><Key name="f" /></span>
      </DropdownMenu.Item>
      <DropdownMenu.Item
        class="flex cursor-pointer justify-between rounded px-2 py-1 data-highlighted:bg-marigold-tint"
        onSelect={() => void signOut(client)}
      >
        Sign out <span class="flex gap-1"><Key name="g" /><Key name="q" /></span>
      </DropdownMenu.Item>
    </DropdownMenu.Content>
  </DropdownMenu.Portal>
</DropdownMenu.Root>
