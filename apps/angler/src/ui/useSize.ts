import { useState } from 'react';
import type { LayoutChangeEvent } from 'react-native';

/** The size a view was given. */
export function useSize(): [{ width: number; height: number }, (event: LayoutChangeEvent) => void] {
  const [size, setSize] = useState({ width: 0, height: 0 });
  return [
    size,
    ({ nativeEvent: { layout } }) => {
      if (layout.width !== size.width || layout.height !== size.height) setSize({ width: layout.width, height: layout.height });
    },
  ];
}
