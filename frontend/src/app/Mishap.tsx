// A room that could not be shown: what is entered is kept, and it can be tried again.
import { Button } from "antd";
import { Component, type ReactNode } from "react";
import styles from "./pages/pages.module.css";

export class Mishap extends Component<{ children: ReactNode }, { error: Error | null }> {
  override state = { error: null as Error | null };

  static getDerivedStateFromError(error: Error) {
    return { error };
  }

  override render() {
    if (!this.state.error) {
      return this.props.children;
    }
    return (
      <div className={styles.lost}>
        <p role="alert">This room could not be shown. What you entered before is kept.</p>
        <Button size="large" onClick={() => window.location.reload()}>
          Try again
        </Button>
      </div>
    );
  }
}
