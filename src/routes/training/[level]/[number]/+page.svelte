<script lang="ts">
	import Exercise from './Exercise.svelte';

	let { data } = $props();
</script>

{#key `${data.level}/${data.number}`}
	<Exercise level={data.level} number={data.number} />
{/key}
