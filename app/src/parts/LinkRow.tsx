import { type Href, Link } from 'expo-router';
import { Pressable, type PressableProps } from 'react-native';

/** A row or tile that leads somewhere: a real link, so that it opens in another tab too. */
export const LinkRow = ({ href, ...row }: Omit<PressableProps, 'role' | 'onPress'> & { href: Href }) => (
  <Link href={href} asChild>
    <Pressable {...row} />
  </Link>
);
