import { Slot } from 'expo-router';
import { Root } from '@/features/Root';

export default function Layout() {
  return (
    <Root>
      <Slot />
    </Root>
  );
}
