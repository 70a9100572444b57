import { useSyncExternalStore } from 'react';

/** A value outside React that components can follow. */
export class ObservableValue<T> {
  private readonly listeners = new Set<() => void>();
  constructor(private value: T) {}

  readonly get = (): T => this.value;

  set(value: T): void {
    if (Object.is(value, this.value)) return;
    this.value = value;
    for (const listener of this.listeners) listener();
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
}

export const useObservable = <T>(external: ObservableValue<T>): T => useSyncExternalStore(external.subscribe, external.get, external.get);
