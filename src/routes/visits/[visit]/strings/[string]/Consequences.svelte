<script lang="ts">
	import { dissipationOf, type Study } from '$core/faults';
	import { CIRCULATING, REVERSED_STRING, WHO_DECIDES } from '$core/isolation';
	import { figureOf } from '$lib/text/format';
	import { useSpeak } from '$lib/messages/speak-context';

	const speak = useSpeak();

	let { study, name }: { study: Study; name: string } = $props();

	const LIMIT_WORDS: Readonly<Record<Study['limit'], string | null>> = {
		none: null,
		held: null,
		'below-window': 'It gives too few volts for what holds it, so no current is taken.',
		'window-floor': 'What holds it cannot go lower; its maximum lies below.',
		'window-ceiling': 'What holds it cannot go higher; its maximum lies above.',
		amps: 'The current limit of what holds it is reached.',
		watts: 'The power limit of what holds it is reached: clipping, no fault.'
	};
	const FUSE_WORDS = {
		holds: 'holds',
		uncertain: 'may hold or open: nothing is certain between 1.13 and 1.45 times its rating',
		opens: 'opens within the hour, at 1.45 times its rating or more'
	};
	/** Heat by module, or by part where it is no module. */
	const warm = $derived.by(() => {
		const places: { place: string; watts: number; amps: number }[] = [];
		for (const part of study.hottest) {
			const place =
				part.module === null ? part.name : `Module ${part.module + 1} of ${part.string}`;
			const current = part.diode?.amps ?? 0;
			const known = places.find((other) => other.place === place);
			if (known) {
				known.watts += dissipationOf(part);
				known.amps = Math.max(known.amps, current);
			} else places.push({ place, watts: dissipationOf(part), amps: current });
		}
		return places.sort((a, b) => b.watts - a.watts).slice(0, 3);
	});
	/** Below this a branch rests, A. */
	const AT_REST = 0.05;
	const fed = $derived(study.branches.filter(({ current }) => current < -AT_REST));
	const reversed = $derived(study.shown.voc < -1);
	const lines = $derived(
		[
			LIMIT_WORDS[study.limit],
			study.maxima.length > 1
				? `Alone it has ${study.maxima.length} maxima: ${study.maxima
						.slice(0, 4)
						.map(
							({ volts: voltage, amps: current }) =>
								`${(voltage * current).toFixed(0)} W at ${voltage.toFixed(0)} V`
						)
						.join(', ')}. A tracker may sit on a lesser one.`
				: null,
			...warm.map(
				({ place, watts: power, amps: current }) =>
					`${place}: ${power.toFixed(0)} W of heat${current > 0.1 ? `, ${current.toFixed(1)} A through its diodes` : ''}.`
			),
			study.parting && `Quick rule ${study.quick.watts.toFixed(0)} W. ${study.parting}`,
			...study.unchanged
		].filter((words): words is string => words !== null)
	);
</script>

{#if fed.length > 0}
	<div class="notice" data-kind="error">
		<p>
			<b>Current flows back</b> into {fed
				.map(({ name: string, current }) => `${string} (${figureOf(-current, 'A')} A)`)
				.join(' and ')}.
			{#if study.fuse && study.shown.current < -AT_REST}
				The {study.fuse.rating} A fuse of {name}
				{FUSE_WORDS[study.fuse.verdict]}.
			{/if}
		</p>
		<p>{speak((reversed ? REVERSED_STRING : CIRCULATING).text)}</p>
		<p class="soft">{speak(WHO_DECIDES)}</p>
	</div>
{/if}
{#if study.earth}
	<div class="notice" data-kind="error">
		<p>
			<b>Pole-to-earth voltage</b> on a meter of 10 MΩ, isolated:
			<span class="figure">+ {study.earth.positive.toFixed(1)} V</span>,
			<span class="figure">− {Math.abs(study.earth.negative).toFixed(1)} V</span>.
			{#if study.earth.place.found}
				The fault lies
				<span class="figure"
					>{study.earth.place.modules.toFixed(1)} ± {(2 * study.earth.place.uncertainty).toFixed(
						1
					)}</span
				>
				modules up from the negative end.
			{:else}{study.earth.place.why}{/if}
		</p>
		<p>Treat both poles and all metal as live to earth until measured.</p>
		<p class="soft">{speak(WHO_DECIDES)}</p>
	</div>
{/if}
{#if lines.length > 0}
	<ul>
		{#each lines as words (words)}<li>{words}</li>{/each}
	</ul>
{/if}

<style>
	.notice {
		display: grid;
		gap: 0.35rem;
	}

	ul {
		display: grid;
		gap: 0.3rem;
		list-style: none;
		padding: 0;
	}

	li {
		padding-inline-start: 1rem;
		border-inline-start: 3px solid var(--line);
	}
</style>
