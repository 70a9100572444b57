import { FieldcraftScreen } from '@/screens/FieldcraftScreen';

export default FieldcraftScreen;
