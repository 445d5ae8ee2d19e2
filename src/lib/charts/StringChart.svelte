<script lang="ts">
	import type { Study } from '$core/faults';
	import Chart from './Chart.svelte';
	import { stringOption, type DrawnReading } from './string-option';

	interface Props {
		study: Study;
		readings: readonly DrawnReading[];
		/** What the picture shows, for one who does not see it. */
		words: string;
	}
	let { study, readings, words }: Props = $props();
</script>

<Chart option={(look) => stringOption(study, readings, look)} {words} />
