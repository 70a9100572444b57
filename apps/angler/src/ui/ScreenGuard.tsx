import { Component, type ReactNode } from 'react';
import { Notice } from './Notice';

interface State {
  error: Error | null;
}

/**
 * Holds a screen that fails: the rest of the app stays, and what was logged is on the phone already. It stands within the place of its screen:
 * about all of them it would take the navigator out with the screen, which then forgets where it was.
 */
export class ScreenGuard extends Component<{ children: ReactNode }, State> {
  override state: State = { error: null };

  static getDerivedStateFromError(error: Error): State {
    return { error };
  }

  override render(): ReactNode {
    const { error } = this.state;
    if (error === null) return this.props.children;
    return (
      <Notice title="This screen could not be drawn" action={{ label: 'Try again', onPress: () => this.setState({ error: null }) }}>
        {`What you logged is kept, and the other places work. What it says: ${error.message}`}
      </Notice>
    );
  }
}
