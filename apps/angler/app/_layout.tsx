import { Slot } from 'expo-router';
import { Root } from '@/screens/Root';

export default function Layout() {
  return (
    <Root>
      <Slot />
    </Root>
  );
}
