import { Component, type ReactNode } from "react";
import { Button } from "./controls";

interface ErrorBoundaryProps {
  children: ReactNode;
  /** What failed, as in "This page". */
  what: string;
}

/** Says what to do when a part of the page fails, and leaves the rest of it standing. */
export class ErrorBoundary extends Component<ErrorBoundaryProps, { failed: boolean }> {
  override state = { failed: false };

  static getDerivedStateFromError(): { failed: boolean } {
    return { failed: true };
  }

  override render(): ReactNode {
    if (!this.state.failed) return this.props.children;
    return (
      <div role="alert" className="max-w-[60ch] p-6 leading-snug" data-failed>
        <h2 className="font-tight text-lg font-semibold">{this.props.what} could not be shown</h2>
        <p className="mt-2">
          This is a fault in Draklo, not yours. What you entered is saved, or kept in this browser. Try again; if it
          fails again, reload the page, and undo the last change if that does not help.
        </p>
        <div className="mt-3 flex gap-2">
          <Button
            strong
            onClick={() => {
              this.setState({ failed: false });
            }}
          >
            Try again
          </Button>
          <Button
            onClick={() => {
              window.location.reload();
            }}
          >
            Reload the page
          </Button>
        </div>
      </div>
    );
  }
}
