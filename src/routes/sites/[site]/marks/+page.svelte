<script lang="ts">
	import Printer from '@lucide/svelte/icons/printer';
	import { resolve } from '$app/paths';
	import { endOfString } from '$core/record';
	import { useRecord } from '$lib/session/record-session.svelte';
	import { coloursOf } from '$lib/ui/string-colours';

	let { data } = $props();
	const session = useRecord();
	const record = $derived(session.record);
	const colours = $derived(coloursOf(record.strings));
	const partMark = (id: string | null) => record.parts.find((part) => part.id === id)?.mark ?? null;

	/** The same mark three times: where the string begins, where it is fused, and where it ends. */
	const PLACES = ['roof', 'combiner', 'inverter'] as const;
	let places = $state<Record<(typeof PLACES)[number], boolean>>({
		roof: true,
		combiner: true,
		inverter: true
	});
	const PLACE_WORDS = { roof: 'Roof', combiner: 'Combiner', inverter: 'Inverter' } as const;
</script>

<svelte:head><title>Marks · {data.site.name} · Zembo</title></svelte:head>

<div class="page">
	<div class="no-print">
		<p><a href={resolve('/sites/[site]/map', { site: data.site.id })}>Map</a></p>
		<h1>Marks to print</h1>
		<p class="soft">
			The same colour and number at the roof, the combiner and the inverter, so that a stranger can
			trace a fault. Print on weatherproof sheet; ink fades, engraved lasts.
		</p>
		<div class="choose">
			{#each PLACES as place (place)}
				<label><input type="checkbox" bind:checked={places[place]} />{PLACE_WORDS[place]}</label>
			{/each}
			<button class="act" onclick={() => window.print()}>
				<Printer size={20} aria-hidden="true" />Print
			</button>
		</div>
	</div>
	<ul>
		{#each record.strings as string (string.id)}
			{@const colour = colours.get(string.id)!}
			{#each PLACES.filter((place) => places[place]) as place (place)}
				<li style:background={colour.fill} style:color={colour.ink}>
					<span class="big figure">{string.label}</span>
					<span class="small">
						{PLACE_WORDS[place]}<br />
						{#if place === 'roof'}{string.moduleCount} modules{:else if place === 'combiner'}{partMark(
								string.to
							) ?? 'unknown'}{:else}{endOfString(record, string)?.mark ?? 'unknown'}{string.input
								? `, input ${string.input}`
								: ''}{/if}
					</span>
				</li>
			{/each}
		{:else}
			<li class="none">No strings are recorded yet.</li>
		{/each}
	</ul>
</div>

<style>
	h1 {
		font-size: 1.6rem;
	}

	.choose {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.5rem 1.5rem;
		margin: 0.8rem 0 1.2rem;
	}

	label {
		display: flex;
		align-items: center;
		gap: 0.5rem;
		min-height: 44px;
	}

	input {
		width: 24px;
		height: 24px;
	}

	ul {
		display: grid;
		grid-template-columns: repeat(3, 1fr);
		gap: 3mm;
		max-width: 190mm;
	}

	li {
		display: flex;
		align-items: center;
		gap: 4mm;
		height: 20mm;
		padding: 0 4mm;
		border: 0.6mm solid #000;
		border-radius: 1mm;
		print-color-adjust: exact;
		-webkit-print-color-adjust: exact;
		break-inside: avoid;
	}

	.big {
		font-size: 11mm;
		font-weight: 750;
		line-height: 1;
	}

	.small {
		font-size: 3.4mm;
		line-height: 1.25;
	}

	.none {
		grid-column: 1 / -1;
	}

	@media (max-width: 600px) {
		ul {
			grid-template-columns: repeat(2, 1fr);
		}

		.big {
			font-size: 8mm;
		}
	}
</style>
