export { NewWaterAfield as default } from '@/screens/lazy';
