export { FieldcraftAfield as default } from '@/screens/lazy';
