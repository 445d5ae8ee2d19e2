/** The aliases of svelte.config.js, in the form the import checker reads. */
module.exports = {
	resolve: {
		alias: {
			$core: `${__dirname}/src/core`,
			$lib: `${__dirname}/src/lib`
		}
	}
};
