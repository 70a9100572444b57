import { WaterScreen } from '@/screens/WaterScreen';

export default WaterScreen;
