export { PracticeAfield as default } from '@/screens/lazy';
