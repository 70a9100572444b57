import { GearScreen } from '@/screens/GearScreen';

export default GearScreen;
