import { OutlookScreen } from '@/screens/OutlookScreen';

export default OutlookScreen;
