import type { PhoneLedger } from './ledger';

/**
 * Keeps the tabs of one phone to one log: what one writes the others read at once. Answers what ends it. A browser without a way between its
 * tabs has each read the log when it is opened.
 */
export function joinTabs(account: string, ledger: PhoneLedger): () => void {
  if (typeof document === 'undefined' || typeof BroadcastChannel === 'undefined') return () => undefined;
  const channel = new BroadcastChannel(`burrow.log.${account}`);
  let known = ledger.view.get().events.length;
  channel.onmessage = () => void ledger.readAgain();
  const leave = ledger.view.subscribe(() => {
    const { events } = ledger.view.get();
    // What was read of another tab is told once more, and finds nothing new there.
    if (events.length > known) channel.postMessage(null);
    known = events.length;
  });
  return () => {
    leave();
    channel.close();
  };
}
