import { OutlookScreen } from '@/features/outlook/OutlookScreen';
import { ScreenGuard } from '@/ui/ScreenGuard';

export default function OutlookRoute() {
  return (
    <ScreenGuard>
      <OutlookScreen />
    </ScreenGuard>
  );
}
