export { SeasonRoute as default } from '@/screens/lazy';
