<script lang="ts">
	import Printer from '@lucide/svelte/icons/printer';
	import { evaluateBatch } from '$core/bench';
	import { markOf } from '$lib/bench/grade-words';
	import GradeMark from '$lib/bench/GradeMark.svelte';
	import { useBatch } from '$lib/session/batch-session.svelte';

	const session = useBatch();
	const results = $derived(evaluateBatch(session.batch, new Date().getFullYear()));
	const day = (at: string) =>
		new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' }).format(
			new Date(at)
		);
</script>

<svelte:head><title>Stickers · {session.batch.name} · Zembo</title></svelte:head>

<div class="no-print">
	<h1>A sticker for each module</h1>
	<p class="soft">
		On the back, beside its own label: what it gave and when, so that nobody tests it twice. Print
		on weatherproof sheet.
	</p>
	<p>
		<button class="act" onclick={() => window.print()}>
			<Printer size={20} aria-hidden="true" />Print
		</button>
	</p>
</div>
<ul>
	{#each results as { module, power, share, graded, odd, estimate } (module.id)}
		{@const last = module.takes.at(-1)}
		<li>
			<span class="figure number">{module.mark}</span>
			<span class="what">
				<strong class="figure">{power === null ? 'not tested' : `${power.toFixed(0)} W`}</strong>
				{#if share !== null}<span class="figure">{(100 * share).toFixed(0)} %</span>{/if}
				{#if estimate}<span>estimated</span>{/if}
				<GradeMark {...markOf(graded)} />
				<small>{module.model}{last ? `, ${day(last.at)}` : ''}</small>
				{#if odd.some(({ code }) => code === 'danger')}<b>Danger: keep apart, insulation first</b>
				{:else if odd[0]}<small>{odd[0].words}</small>{/if}
			</span>
		</li>
	{:else}
		<li>Nothing is in this batch yet.</li>
	{/each}
</ul>

<style>
	h1 {
		font-size: 1.8rem;
		margin: 1rem 0 0.4rem;
	}

	p {
		margin-bottom: 0.8rem;
	}

	ul {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(17rem, 1fr));
		gap: 8px;
	}

	li {
		display: flex;
		gap: 0.8rem;
		min-height: 6.2rem;
		padding: 0.5rem 0.7rem;
		border: 1.4px solid var(--ink);
		break-inside: avoid;
	}

	.number {
		font-size: 2.4rem;
		font-weight: 800;
		line-height: 1;
	}

	.what {
		display: flex;
		flex-wrap: wrap;
		gap: 0 0.8rem;
		align-content: start;
		align-items: baseline;
	}

	small,
	b {
		flex-basis: 100%;
		font-size: 0.85rem;
	}

	b {
		color: var(--off);
	}
</style>
