"use client";

import { Component, type ReactNode } from "react";

interface Props {
  /** What it is, as it stands in a sentence: "the plan of the box". */
  name: string;
  children: ReactNode;
}

/** Something that cannot be worked out or drawn says so in its own place: the fields around it stay. */
export class Contained extends Component<Props, { problem: string | null }> {
  override state: { problem: string | null } = { problem: null };

  static getDerivedStateFromError(error: unknown) {
    return { problem: error instanceof Error ? error.message : String(error) };
  }

  override componentDidUpdate(before: Props) {
    // Something has changed: perhaps it can be shown now.
    if (this.state.problem !== null && before.children !== this.props.children) this.setState({ problem: null });
  }

  override render() {
    const { problem } = this.state;
    if (problem === null) return this.props.children;
    return (
      <div role="alert" className="border-warning grid max-w-prose gap-1 border-l-4 pl-3">
        <p>
          <strong>This cannot be shown: {this.props.name}.</strong> It is our fault, not yours. What you typed stays,
          and the rest of the page goes on; take back your last change, or change it further.
        </p>
        <p className="quiet font-mono text-sm break-words">{problem}</p>
      </div>
    );
  }
}
