export { PracticeRoute as default } from '@/screens/lazy';
