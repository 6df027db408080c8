import { QueryErrorResetBoundary } from "@tanstack/react-query";
import { Component, type ReactNode } from "react";
import { onceAnswered, Refusal, said } from "../api/client";
import { Button } from "./Button";

interface Props {
  /** Tells what is drawn here, in a few words: *This view*, *What this buyer sees*. */
  what: string;
  children: ReactNode;
  /** Tells what stands here instead, where it is not the sentence with *Try again*. */
  instead?: ReactNode;
  /** Tells where one is: somewhere else it is drawn anew. */
  at?: string;
}

/** True if a script of a page did not come: a browser asks for it anew only when the page is loaded again. */
const isScript = (failed: unknown) =>
  failed instanceof TypeError && /import|module|script/i.test(failed.message);

class Caught extends Component<Props & { reset: () => void }, { failed: unknown }> {
  override state = { failed: null as unknown };

  static getDerivedStateFromError(failed: unknown) {
    return { failed };
  }

  /** Ends the asking whether somebody answers again. */
  private stopAsking = () => {};

  override componentDidMount() {
    this.waitForAnswer();
  }

  override componentDidUpdate(before: Props, was: { failed: unknown }) {
    if (was.failed !== this.state.failed) this.waitForAnswer();
    if (before.at !== this.props.at && this.state.failed !== null) this.drawAnew();
  }

  override componentWillUnmount() {
    this.stopAsking();
  }

  private drawAnew = () => {
    this.props.reset();
    this.setState({ failed: null });
  };

  /** Draw anew by itself when the server is there again, if it failed because nobody answered. */
  private waitForAnswer() {
    this.stopAsking();
    const { failed } = this.state;
    if (failed instanceof Refusal && failed.unanswered) this.stopAsking = onceAnswered(this.drawAnew);
  }

  override render() {
    const { failed } = this.state;
    if (failed === null) return this.props.children;
    if (this.props.instead !== undefined) return this.props.instead;
    const again = () => (isScript(failed) ? window.location.reload() : this.drawAnew());
    return (
      <div role="alert" className="border-l-2 border-copper pl-3 py-1 my-3">
        <p className="text-copper font-medium mb-2">
          {this.props.what} cannot be shown:{" "}
          {isScript(failed) ? "a part of the page did not come." : said(failed)}
        </p>
        <Button onClick={again}>Try again</Button>
      </div>
    );
  }
}

/** Draws what is within; where its script or its answer fails, it says so and offers to try again. */
export function Boundary(props: Props) {
  return (
    <QueryErrorResetBoundary>{({ reset }) => <Caught {...props} reset={reset} />}</QueryErrorResetBoundary>
  );
}
