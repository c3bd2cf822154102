/**
 * The version of the app that is kept for use without a network, and a newer one that waits. It takes over
 * when the writer says so, and then this window starts anew; others keep what they show.
 */
class Updates {
	#waiting = $state.raw<ServiceWorker | null>(null);
	#isTaking = false;

	/** Whether a newer version can be taken. */
	get isReady(): boolean {
		return this.#waiting !== null;
	}

	/** Keeps the app and looks for newer versions; returns what ends the looking. */
	follow(): () => void {
		const { serviceWorker } = navigator;
		// a browser without them, or one that refuses them, works as before with the network
		if (!serviceWorker) return () => {};
		let registration: ServiceWorkerRegistration | null = null;
		const look = () => void registration?.update().catch(() => undefined);
		const change = () => {
			if (this.#isTaking) location.reload();
		};
		serviceWorker.addEventListener('controllerchange', change);
		const timer = setInterval(look, LOOK_MS);
		void serviceWorker
			.register('/service-worker.js')
			.then((found) => {
				registration = found;
				this.#note(found);
				found.addEventListener('updatefound', () => this.#note(found));
			})
			.catch(() => undefined);
		return () => {
			clearInterval(timer);
			serviceWorker.removeEventListener('controllerchange', change);
		};
	}

	/** Lets the newer version take over. */
	take(): void {
		this.#isTaking = true;
		this.#waiting?.postMessage('take over');
	}

	/** Not now. */
	leave(): void {
		this.#waiting = null;
	}

	#note(registration: ServiceWorkerRegistration): void {
		// the first version has nobody to wait for
		const isNewer = () => navigator.serviceWorker.controller !== null;
		if (registration.waiting && isNewer()) this.#waiting = registration.waiting;
		const { installing } = registration;
		installing?.addEventListener('statechange', () => {
			if (installing.state === 'installed' && isNewer()) this.#waiting = installing;
		});
	}
}

/** How often a window that stays open looks for a newer version. */
const LOOK_MS = 60 * 60_000;

export const updates = new Updates();
