import { useRouter } from 'expo-router';
import { Notice } from '@/ui/Notice';

export default function NotFound() {
  const router = useRouter();
  return (
    <Notice title="No such place" action={{ label: 'To the Outlook', onPress: () => router.replace('/') }}>
      The address names nothing here.
    </Notice>
  );
}
