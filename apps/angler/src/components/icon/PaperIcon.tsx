import { Icon, type IconName, icons } from './Icon';

/** The icon module that Paper's own components ask for, drawn from the same SVG paths as ours. */
export default function PaperIcon({ name, size, color }: { name: string; size: number; color: string }) {
  return <Icon name={name in icons ? (name as IconName) : 'close'} size={size} color={color} />;
}
