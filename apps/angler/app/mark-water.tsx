export { MarkWaterRoute as default } from '@/screens/lazy';
