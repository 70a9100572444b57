import { OutlookScreen } from '@/features/outlook/OutlookScreen';

export default OutlookScreen;
