<script lang="ts">
	import type { Caution } from '$core/isolation';
	import { useSpeak } from '../messages/speak-context';

	interface Props {
		cautions: readonly Caution[];
		kind?: string;
	}
	let { cautions, kind = '' }: Props = $props();
	const speak = useSpeak();
</script>

{#each cautions as { text, source } (text.code)}
	<p class={kind}>{speak(text)} <span class="soft">({speak(source)})</span></p>
{/each}
