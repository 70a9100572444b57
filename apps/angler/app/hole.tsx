export { HoleRoute as default } from '@/screens/lazy';
