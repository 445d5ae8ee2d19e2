<script lang="ts">
	import Printer from '@lucide/svelte/icons/printer';
	import { resolve } from '$app/paths';
	import { labelPower, PART_NAMES, stringGroups, SYSTEM_WORDS, typesInString } from '$core/record';
	import { coldStringVoltage } from '$core/design-checks';
	import { emergencyOrder, placeOf, WHO_DECIDES } from '$core/isolation';
	import PartSymbol from '$lib/ui/PartSymbol.svelte';
	import { useRecord } from '$lib/session/record-session.svelte';
	import { kilowatts } from '$lib/text/format';
	import { ui } from '$lib/messages/interface-messages';
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

<svelte:head
	><title>{speak(ui('emergency-card.title'))} · {data.site.name} · Zembo</title></svelte:head
>

<div class="page">
	<div class="no-print line">
		<a href={resolve('/sites/[site]/map', { site: data.site.id })}
			>{speak(ui('emergency-card.map'))}</a
		>
		<button class="act" onclick={() => window.print()}>
			<Printer size={20} aria-hidden="true" />{speak(ui('emergency-card.print'))}
		</button>
	</div>
	<article class="panel">
		<h1>{speak(ui('emergency-card.heading'))}</h1>
		<p class="place"><strong>{data.site.name}</strong> {data.site.place}</p>
		<p class="live">
			{speak(ui('emergency-card.live'))}
		</p>
		<dl>
			<div>
				<dt>{speak(ui('emergency-card.highest-voltage'))}</dt>
				<dd class="figure">
					{cold !== null
						? `${cold.toFixed(0)} V`
						: record.system === 'micro-inverters'
							? speak(ui('emergency-card.one-module'))
							: speak(ui('emergency-card.unknown'))}
				</dd>
			</div>
			<div>
				<dt>{speak(ui('emergency-card.rated-power'))}</dt>
				<dd class="figure">{kilowatts(labelPower(record))}</dd>
			</div>
			<div>
				<dt>{speak(ui('emergency-card.system'))}</dt>
				<dd>{record.system ? SYSTEM_WORDS[record.system] : speak(ui('emergency-card.unknown'))}</dd>
			</div>
		</dl>
		<h2>{speak(ui('emergency-card.order'))}</h2>
		{#if steps.length === 0}
			<p>{speak(ui('emergency-card.none-recorded'))}</p>
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
									>{speak(PART_NAMES[part.kind])}, {speak(placeOf(part))}</span
								>{/if}
						</span>
					</li>
				{/each}
			</ol>
		{/if}
		<p class="soft">
			{speak(WHO_DECIDES)}
			{speak(ui('emergency-card.revision', { number: session.number }))}
		</p>
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
