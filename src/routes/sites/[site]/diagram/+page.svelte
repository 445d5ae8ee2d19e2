<script lang="ts">
	import Printer from '@lucide/svelte/icons/printer';
	import { resolve } from '$app/paths';
	import { oneLine, PART_NAMES } from '$core/record';
	import { diagramDrawing } from '$lib/drawing/diagram';
	import DrawingView from '$lib/drawing/DrawingView.svelte';
	import { useRecord } from '$lib/session/record-session.svelte';
	import { coloursOf } from '$lib/ui/string-colours';
	import { useSpeak } from '$lib/messages/speak-context';
	import { inSentence } from '$core/units';

	const speak = useSpeak();

	let { data } = $props();
	const session = useRecord();
	const record = $derived(session.record);
	const diagram = $derived(oneLine(record));
	const drawing = $derived(diagramDrawing(diagram, coloursOf(record.strings)));
</script>

<svelte:head><title>Diagram · {data.site.name} · Zembo</title></svelte:head>

<div class="page">
	<div class="line">
		<h1>One-line diagram</h1>
		<p class="soft">
			{data.site.name}, revision {session.number}. Drawn from the record: what is unknown says so.
		</p>
		<button class="act-plain no-print" onclick={() => window.print()}>
			<Printer size={20} aria-hidden="true" />Print
		</button>
	</div>
	{#if diagram.nodes.length === 0}
		<p class="panel empty">
			Nothing to draw yet. <a href={resolve('/sites/[site]/array-record', { site: data.site.id })}
				>Record strings and an inverter</a
			>, and say where each leads.
		</p>
	{:else}
		<DrawingView {drawing} words="One-line diagram of {data.site.name}" />
		{#if diagram.besides.length > 0}
			<h2>Also recorded</h2>
			<ul>
				{#each diagram.besides as part (part.id)}
					<li>
						<strong>{part.mark}</strong>
						{inSentence(speak(PART_NAMES[part.kind]))}{part.place ? `, ${part.place}` : ''}
					</li>
				{/each}
			</ul>
		{/if}
		<p class="soft">
			Symbols after IEC 60617. The diagram does not show what is switched off or dead; only a
			reading proves it.
		</p>
	{/if}
</div>

<style>
	.page {
		max-width: none;
	}

	.line {
		display: flex;
		flex-wrap: wrap;
		align-items: baseline;
		gap: 0.2rem 1.4rem;
		margin-bottom: 0.8rem;
	}

	.line button {
		margin-inline-start: auto;
	}

	h1 {
		font-size: 1.6rem;
	}

	h2 {
		font-size: 1.1rem;
		margin-top: 1rem;
	}

	.empty {
		padding: 1.2rem 1.5rem;
	}

	ul {
		columns: 20rem;
	}

	li {
		padding: 0.15rem 0;
	}

	@media print {
		@page {
			size: landscape;
		}
	}
</style>
