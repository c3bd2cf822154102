// Sets the theme before the first paint, so that the page does not flash.
(function () {
	var mode = 'system';
	try {
		mode = localStorage.getItem('corvan-theme') || 'system';
	} catch {
		// storage is closed to us: follow the system
	}
	var dark =
		mode === 'night' || (mode === 'system' && matchMedia('(prefers-color-scheme: dark)').matches);
	document.documentElement.dataset.theme = dark ? 'corvan-night' : 'corvan-paper';
})();
