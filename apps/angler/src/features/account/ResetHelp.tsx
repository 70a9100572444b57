import { useMutation } from '@tanstack/react-query';
import { View } from 'react-native';
import { api } from '@/data/api';
import { Text } from '@/ui/Text';

/** Asks this server for a code, and what it answers: by mail where it sends any, else from its owner. */
export const useAskedCode = () => useMutation({ mutationFn: (email: string) => api.askReset(email) });

/** Where the code for a new password comes from. */
export function ResetHelp({ asked }: { asked: ReturnType<typeof useAskedCode> }) {
  return (
    <View aria-live="polite" style={{ gap: 8 }}>
      {asked.data ? (
        <Text strong>
          {asked.data.mailed ? 'If that address has an account, a code is on its way. It is good for an hour.' : 'This server sends no mail: ask its owner for a code.'}
        </Text>
      ) : (
        <Text tone="second">A new password wants a code: from the owner of the server, or by mail where it sends any.</Text>
      )}
      {asked.error ? <Text tone="straw">{asked.error.message}</Text> : null}
    </View>
  );
}
