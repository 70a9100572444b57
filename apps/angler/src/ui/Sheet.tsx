import type { ReactNode } from 'react';
import { Modal, Platform, Pressable, ScrollView, useWindowDimensions, View } from 'react-native';
import { usePalette } from '@/theme/theme';
import { Action } from './Action';
import { Text } from './Text';
import { useEscape } from './useEscape';

/** A sheet from below (in the middle on wide screens): role and focus come from React Native's Modal. */
export function Sheet({ title, open, onClose, children, footer }: { title: string; open: boolean; onClose: () => void; children: ReactNode; footer?: ReactNode }) {
  const palette = usePalette();
  const { width, height } = useWindowDimensions();
  const wide = width >= 1000;
  useEscape(open, onClose);
  return (
    <Modal visible={open} transparent animationType="none" onRequestClose={Platform.OS === 'web' ? undefined : onClose} aria-label={title}>
      <View style={{ flex: 1, justifyContent: wide ? 'center' : 'flex-end', alignItems: 'center', backgroundColor: 'rgba(4, 14, 20, 0.55)' }}>
        <Pressable aria-hidden tabIndex={-1} onPress={onClose} style={{ position: 'absolute', inset: 0 }} />
        <View
          style={{
            width: wide ? 520 : '100%',
            maxHeight: height * 0.92,
            backgroundColor: palette.ground,
            borderTopLeftRadius: 16,
            borderTopRightRadius: 16,
            borderBottomLeftRadius: wide ? 16 : 0,
            borderBottomRightRadius: wide ? 16 : 0,
            paddingTop: 8,
          }}
        >
          <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between', paddingLeft: 16, paddingRight: 4 }}>
            <Text heading={2} size="lead">
              {title}
            </Text>
            <Action label="Close" kind="bare" icon="close" onPress={onClose} />
          </View>
          <ScrollView contentContainerStyle={{ padding: 16, gap: 16 }}>{children}</ScrollView>
          {footer ? <View style={{ padding: 16, paddingTop: 8, gap: 8, borderTopWidth: 1, borderTopColor: palette.line }}>{footer}</View> : null}
        </View>
      </View>
    </Modal>
  );
}
