<script lang="ts">
	import Gauge from '@lucide/svelte/icons/gauge';
	import type { InverterReading } from '$core/document';
	import { placeKey, usualState } from '$core/visit';
	import { partsOf } from '$core/record';
	import Field from '$lib/ui/Field.svelte';
	import { inverterAddress, keepAddress, meterAddress } from '$lib/ui/instrument-address';
	import { sendJson } from '$lib/session/send-json';
	import { useVisit } from '$lib/session/visit-session.svelte';

	const session = useVisit();
	const record = $derived(session.document.record);
	let meter = $state(meterAddress());
	let inverter = $state(inverterAddress());
	let unit = $state('1');
	let asking = $state<'meter' | 'inverter' | null>(null);
	let problem = $state('');
	let done = $state('');

	interface Meter {
		readonly value: number;
		readonly spread: number;
		readonly takes: number;
		readonly identity: string;
	}
	let shown = $state.raw<Meter | null>(null);
	let read = $state.raw<InverterReading | null>(null);

	async function ask<Body>(which: 'meter' | 'inverter', body: object): Promise<Body | null> {
		asking = which;
		problem = '';
		done = '';
		keepAddress(which, which === 'meter' ? meter : inverter);
		const answer = await sendJson<Body>(`/instruments/${which}`, body);
		asking = null;
		if (!answer.ok) problem = answer.words;
		return answer.ok ? answer.body : null;
	}
	async function askMeter(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		shown = await ask<Meter>('meter', { address: meter, measures: 'dc-voltage', probe: null });
	}
	async function askInverter(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		read = await ask<InverterReading>('inverter', { address: inverter, unit: Number(unit) || 1 });
	}

	/** The inverter's AC power as a reading of the visit. */
	async function keep(): Promise<void> {
		const [part] = partsOf(record.parts, 'inverter');
		if (!part || read?.acWatts == null) return;
		const place = { kind: 'part', part: part.id, point: 'display' } as const;
		const stored = await session.enter({
			place,
			quantity: 'ac-power',
			state: usualState('ac-power'),
			value: read.acWatts,
			atVolts: null,
			typed: String(read.acWatts),
			source: 'instrument'
		});
		done = stored ? `Kept as ${part.mark}’s AC power.` : '';
		if (!stored) problem = session.question?.words ?? `Not kept: ${placeKey(place, 'ac-power')}`;
	}
	const figure = (value: number | null, unitOf: string, digits = 1) =>
		value === null ? 'not told' : `${value.toFixed(digits)} ${unitOf}`;
</script>

<svelte:head><title>Instruments · {session.document.site.name} · Zembo</title></svelte:head>

<div class="page">
	<h1>Instruments</h1>
	<p class="soft lead">
		Asked by the server over the network; addresses of this network alone. They stay on this device.
		With a meter’s address here, every entry has “From the meter”.
	</p>
	{#if problem}<p class="notice" data-kind="error" role="alert">{problem}</p>{/if}
	{#if done}<p class="notice" data-kind="done" role="status">{done}</p>{/if}
	<div class="two">
		<form class="panel" onsubmit={askMeter}>
			<h2>Meter, SCPI over TCP</h2>
			<Field
				label="Address"
				name="meter"
				bind:value={meter}
				help="host:port, for example 192.168.0.20:5025"
			/>
			<button class="act" disabled={asking !== null}
				><Gauge size={20} aria-hidden="true" />{asking === 'meter' ? 'Asking…' : 'Ask it'}</button
			>
			{#if shown}
				<p class="answer">
					<strong class="figure">{shown.value} V</strong>
					<span class="soft"
						>{shown.takes} takes, the last three within {shown.spread.toPrecision(2)} V; {shown.identity}</span
					>
				</p>
			{/if}
		</form>
		<form class="panel" onsubmit={askInverter}>
			<h2>Inverter, SunSpec over Modbus TCP</h2>
			<Field
				label="Address"
				name="inverter"
				bind:value={inverter}
				help="host:port, usually port 502"
			/>
			<Field label="Unit" name="unit" bind:value={unit} figures />
			<button class="act" disabled={asking !== null}
				><Gauge size={20} aria-hidden="true" />{asking === 'inverter'
					? 'Asking…'
					: 'Ask it'}</button
			>
			{#if read}
				<p class="soft">
					{read.manufacturer}
					{read.model}, serial {read.serial || 'not told'}; {read.state}
				</p>
				<p class="answer">
					<strong class="figure">{figure(read.acWatts, 'W AC', 0)}</strong>
					<span class="figure">{figure(read.dcWatts, 'W DC', 0)}</span>
				</p>
				<ul>
					{#each read.inputs as { name, volts: voltage, amps: current, watts: power } (name)}
						<li>
							<span>input {name}</span><span class="figure">{figure(voltage, 'V')}</span>
							<span class="figure">{figure(current, 'A', 2)}</span>
							<span class="figure">{figure(power, 'W', 0)}</span>
						</li>
					{/each}
				</ul>
				{#if read.acWatts !== null && partsOf(record.parts, 'inverter').length === 1}
					<button type="button" class="act-plain" onclick={keep}
						>Keep its AC power as a reading</button
					>
				{/if}
			{/if}
		</form>
	</div>
</div>

<style>
	h1 {
		font-size: 1.8rem;
	}

	h2 {
		font-size: 1.15rem;
	}

	.two {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(20rem, 1fr));
		gap: 1.2rem;
		margin-top: 1rem;
		align-items: start;
	}

	form {
		display: grid;
		gap: 0.8rem;
		padding: 1rem 1.2rem 1.2rem;
		justify-items: start;
	}

	.answer strong {
		font-size: 1.7rem;
	}

	.answer span {
		display: block;
	}

	ul {
		width: 100%;
	}

	li {
		display: grid;
		grid-template-columns: repeat(4, 1fr);
		min-height: 36px;
		align-items: center;
		border-bottom: 1px solid var(--line);
	}

	@media (max-width: 600px) {
		.two {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
