export { HoleRoute as default } from '@/features/lazy';
