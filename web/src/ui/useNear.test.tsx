// @vitest-environment happy-dom
import { act, render, screen } from "@testing-library/react";
import {
  mockIsIntersecting,
  resetIntersectionMocking,
  setupIntersectionMocking,
} from "react-intersection-observer/test-utils";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { useNear } from "./useNear";

beforeEach(() => setupIntersectionMocking(vi.fn));
afterEach(resetIntersectionMocking);

function Row({ name, atOnce }: { name: string; atOnce: boolean }) {
  const { ref, near } = useNear(atOnce);
  return <li ref={ref}>{near && name}</li>;
}

test("what is far is drawn when it is near, and stays", () => {
  render(
    <ul>
      <Row name="first" atOnce />
      <Row name="last" atOnce={false} />
    </ul>,
  );
  const [, last] = screen.getAllByRole("listitem");
  expect(screen.queryByText("first")).toBeTruthy();
  expect(screen.queryByText("last")).toBeNull();
  act(() => mockIsIntersecting(last as Element, true));
  expect(screen.queryByText("last")).toBeTruthy();
});
