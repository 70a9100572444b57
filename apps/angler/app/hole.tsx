import { HoleScreen } from '@/screens/HoleScreen';

export default HoleScreen;
