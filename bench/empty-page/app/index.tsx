import { Text } from 'react-native-paper';

export default function Index() {
  return <Text>Empty</Text>;
}
