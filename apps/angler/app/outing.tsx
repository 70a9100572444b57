export { OutingRoute as default } from '@/features/lazy';
