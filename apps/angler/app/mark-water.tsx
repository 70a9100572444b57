export { MarkWaterAfield as default } from '@/screens/lazy';
