<script lang="ts">
	import { resolve } from '$app/paths';
	import {
		configurationOf,
		fillUp,
		freeSwaps,
		type Grouping,
		type GroupingAsk,
		groupingGives,
		readGrouping,
		writeConfiguration
	} from '$core/bench';
	import StringsOfBatch from './StringsOfBatch.svelte';

	interface Props {
		grouping: Grouping;
		ask: GroupingAsk;
		/** Id of the batch. */
		batch: string;
	}
	let { grouping, ask, batch }: Props = $props();

	const gives = $derived(groupingGives(grouping, ask));
	const swaps = $derived(freeSwaps(grouping, ask, gives.power));
	const buy = $derived(fillUp(grouping, ask));
	const marks = $derived(new Map(ask.modules.map(({ id, mark }) => [id, mark])));
	const markOf = (id: string) => marks.get(id) ?? '?';
	const mixQuery = $derived.by(() => {
		const { windowLow, fuse, blocking } = ask.target;
		const query = [
			`of=${encodeURIComponent(writeConfiguration(configurationOf(grouping.strings), markOf))}`,
			...(windowLow === null ? [] : [`from=${windowLow}`]),
			...(fuse === null ? [] : [`fuse=${fuse}`]),
			...(blocking ? ['diodes=yes'] : [])
		];
		return query.join('&');
	});

	let typed = $state('');
	const present = $derived(typed.trim() === '' ? null : readGrouping(typed, ask.modules));
	const presentGives = $derived(present?.ok ? groupingGives(present.value, ask) : null);
	const more = $derived(presentGives ? gives.power - presentGives.power : 0);
</script>

<p class="answer">
	<strong class="figure" data-watts>{gives.power.toFixed(0)} W</strong>
	<span class="soft">
		{gives.strings.length} x {gives.strings[0]?.modules.length ?? 0}, {(
			(100 * gives.power) /
			gives.alone
		).toFixed(1)} % of what its modules give one by one
	</span>
</p>
{#each gives.broken as words (words)}
	<p class="notice" data-kind="error">{words}</p>
{/each}
<StringsOfBatch strings={gives.strings} />
{#if grouping.out.length > 0}
	<p><strong>Stay out:</strong> <span>{grouping.out.map(markOf).join(', ')}</span></p>
{/if}
{#if buy}<p>{buy}</p>{/if}
{#if swaps.length > 0}
	<p>
		<strong>Change places for nothing:</strong>
		{swaps.map(({ a, b }) => `${a.mark} and ${b.mark}`).join('; ')}.
	</p>
{/if}
<p>
	<!-- eslint-disable svelte/no-navigation-without-resolve -- the query of a resolved path -->
	<a
		class="act-plain"
		href="{resolve('/bench/batches/[batch]/configuration', { batch: batch })}?{mixQuery}"
		>Look at it as a mix</a
	>
	<!-- eslint-enable svelte/no-navigation-without-resolve -->
</p>
<label class="present">
	<span>Grouped now: marks with blanks, | between strings</span>
	<textarea name="present" class="figure" rows="2" bind:value={typed} placeholder="1 2 | 3 4"
	></textarea>
</label>
{#if present && !present.ok}<p class="error" role="alert">{present.problem}</p>{/if}
{#if presentGives}
	<p role="status">
		As it is now: <strong class="figure">{presentGives.power.toFixed(0)} W</strong>. Regrouped
		<strong class="figure">{more >= 0 ? '+' : '\u2212'}{Math.abs(more).toFixed(0)} W</strong>.
	</p>
	{#each presentGives.broken as words (words)}<p class="notice">{words}</p>{/each}
{/if}

<style>
	.answer strong {
		font-size: 2rem;
		margin-inline-end: 0.6rem;
	}

	.present {
		display: grid;
		gap: 0.2rem;
		font-weight: 600;
	}

	textarea {
		padding: 0.5rem;
		border: var(--stroke) solid var(--rule);
		background: var(--sheet);
		white-space: pre-wrap;
	}

	.error {
		color: var(--off);
		font-weight: 600;
	}
</style>
