/** Registers the service worker where there is one (the built app, not the development server). */
export function keepOnPhone(): void {
  if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return;
  navigator.serviceWorker.register('/service-worker.js').catch((error: unknown) => {
    // Without it the app still works while there is a signal.
    console.warn('not kept for offline use', error);
  });
}
