<script lang="ts">
	import { keyOf, type Unit } from '$core/visit';
	import type { VisitSession } from '../session/visit-session.svelte';
	import { dayAndTime } from '../text/when';

	interface Props {
		session: VisitSession;
		placeKey: string;
		unit: Unit;
	}
	let { session, placeKey, unit }: Props = $props();

	/** Newest first. */
	const history = $derived(
		session.document.visit.readings.filter((reading) => keyOf(reading) === placeKey).toReversed()
	);
	const withdrawn = $derived(
		new Set(session.document.visit.withdrawals.map((withdrawal) => withdrawal.readingId))
	);
</script>

{#if history.length > 0}
	<details>
		<summary class="more"
			>History: {history.length} {history.length === 1 ? 'entry' : 'entries'}</summary
		>
		<ul>
			{#each history as reading (reading.id)}
				<li>
					<span class="figure">{reading.typed || reading.value} {unit}</span>
					{#if reading.atVolts !== null}<span class="figure soft">at {reading.atVolts} V</span>{/if}
					<span class="soft">
						{dayAndTime(reading.takenAt, session.document.site.timeZone)}, {reading.by}{reading.confirmed
							? ', confirmed'
							: ''}{withdrawn.has(reading.id) ? ', taken back' : ''}
					</span>
				</li>
			{/each}
		</ul>
	</details>
{/if}

<style>
	li {
		padding: 0.25rem 0 0.35rem;
	}
</style>
