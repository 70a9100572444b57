import { SeasonScreen } from '@/screens/SeasonScreen';

export default SeasonScreen;
