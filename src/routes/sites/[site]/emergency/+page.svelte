<script lang="ts">
	import Printer from '@lucide/svelte/icons/printer';
	import { resolve } from '$app/paths';
	import { labelPower, PART_KINDS, stringGroups, SYSTEM_WORDS, typesInString } from '$core/record';
	import { coldStringVoltage } from '$core/design-checks';
	import { emergencyOrder, WHO_DECIDES } from '$core/isolation';
	import PartSymbol from '$lib/ui/PartSymbol.svelte';
	import { useRecord } from '$lib/session/record-session.svelte';
	import { kilowatts } from '$lib/text/format';
	import { useSpeak } from '$lib/messages/speak-context';

	const speak = useSpeak();

	let { data } = $props();
	const session = useRecord();
	const record = $derived(session.record);
	const steps = $derived(emergencyOrder(record));
	/** Highest cold volts of a string; null where it cannot be said. */
	const cold = $derived.by(() => {
		const voltage = stringGroups(record).map(({ strings }) =>
			coldStringVoltage(typesInString(strings[0]), record.moduleTypes, record.rules)
		);
		return voltage.length === 0 || voltage.includes(null)
			? null
			: Math.max(...voltage.filter((v) => v !== null));
	});
</script>

<svelte:head><title>Emergency card · {data.site.name} · Zembo</title></svelte:head>

<div class="page">
	<div class="no-print line">
		<a href={resolve('/sites/[site]/map', { site: data.site.id })}>Map</a>
		<button class="act" onclick={() => window.print()}>
			<Printer size={20} aria-hidden="true" />Print
		</button>
	</div>
	<article class="panel">
		<h1>PV array: switching off in an emergency</h1>
		<p class="place"><strong>{data.site.name}</strong> {data.site.place}</p>
		<p class="live">
			Modules and their cables stay live in daylight, whatever is switched. Touch no module, cable
			or metal of a damaged array. Switched off is not proved dead.
		</p>
		<dl>
			<div>
				<dt>Highest DC volts, cold</dt>
				<dd class="figure">
					{cold !== null
						? `${cold.toFixed(0)} V`
						: record.system === 'micro-inverters'
							? 'one module'
							: 'unknown'}
				</dd>
			</div>
			<div>
				<dt>Label power</dt>
				<dd class="figure">{kilowatts(labelPower(record))}</dd>
			</div>
			<div>
				<dt>Behind the modules</dt>
				<dd>{record.system ? SYSTEM_WORDS[record.system] : 'unknown'}</dd>
			</div>
		</dl>
		<h2>In this order</h2>
		{#if steps.length === 0}
			<p>No disconnect is recorded yet. Record each with its place, then this card names them.</p>
		{:else}
			<ol>
				{#each steps as { instruction, part }, i (i)}
					<li>
						<span class="number">{i + 1}</span>
						{#if part}<PartSymbol kind={part.kind} />{/if}
						<span>
							<strong>{part ? part.mark : speak(instruction)}</strong>
							{#if part}<span>{speak(instruction)}</span>{/if}
							{#if part}<span class="soft"
									>{PART_KINDS[part.kind].words}, {part.place ?? 'place not recorded'}</span
								>{/if}
						</span>
					</li>
				{/each}
			</ol>
		{/if}
		<p class="soft">{speak(WHO_DECIDES)} Revision {session.number} of the record.</p>
	</article>
</div>

<style>
	.line {
		display: flex;
		justify-content: space-between;
		align-items: center;
		margin-bottom: 0.8rem;
	}

	article {
		max-width: 46rem;
		padding: 1.6rem 2rem;
	}

	h1 {
		font-size: 1.8rem;
	}

	h2 {
		font-size: 1.3rem;
		margin-top: 1rem;
	}

	.place {
		font-size: 1.1rem;
	}

	.live {
		margin: 1rem 0;
		padding: 0.8rem 1rem;
		border: 3px solid var(--off);
		font-size: 1.15rem;
		font-weight: 600;
	}

	dl {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem 2.2rem;
	}

	dl div {
		display: flex;
		flex-direction: column-reverse;
	}

	dt {
		color: var(--soft);
		font-size: 0.9rem;
	}

	dd {
		font-size: 1.3rem;
		font-weight: 650;
	}

	li {
		display: flex;
		align-items: center;
		gap: 0.9rem;
		padding: 0.6rem 0;
		border-bottom: 1px solid var(--line);
		break-inside: avoid;
	}

	li > span:last-child {
		display: grid;
		line-height: 1.3;
	}

	li strong {
		font-size: 1.2rem;
	}

	.number {
		display: grid;
		place-items: center;
		width: 2.2rem;
		height: 2.2rem;
		border-radius: 50%;
		background: var(--ink);
		color: var(--paper);
		font-weight: 700;
		print-color-adjust: exact;
		-webkit-print-color-adjust: exact;
	}

	article > .soft {
		margin-top: 1rem;
		font-size: 0.92rem;
	}
</style>
