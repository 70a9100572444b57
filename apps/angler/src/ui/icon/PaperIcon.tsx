import { Icon, type IconName } from './Icon';

/** Names that Paper's own components ask for, by ours. */
const ours: Record<string, IconName> = { close: 'close', 'menu-down': 'down', eye: 'eye', check: 'check', 'chevron-left': 'back' };

/** The icon module that Paper's own components ask for, drawn from the same paths as ours. */
export default function PaperIcon({ name, size, color }: { name: string; size: number; color: string }) {
  return <Icon name={ours[name] ?? 'more'} size={size} color={color} />;
}
