export { WaterAfield as default } from '@/screens/lazy';
