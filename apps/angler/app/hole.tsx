export { HoleAfield as default } from '@/screens/lazy';
