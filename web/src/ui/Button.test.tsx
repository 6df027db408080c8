// @vitest-environment happy-dom
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { afterEach, expect, test, vi } from "vitest";
import { Button } from "./Button";

afterEach(cleanup);

test("a button that is disabled by its own press keeps the focus, and is pressed once", async () => {
  const pressed = vi.fn();
  function Once() {
    const [done, setDone] = useState(false);
    return (
      <Button
        disabled={done}
        onClick={() => {
          pressed();
          setDone(true);
        }}
      >
        Pay
      </Button>
    );
  }
  render(<Once />);
  await userEvent.tab();
  await userEvent.keyboard("{Enter}{Enter} ");
  const button = screen.getByRole("button", { name: "Pay" });
  expect(pressed).toHaveBeenCalledTimes(1);
  expect(button.getAttribute("aria-disabled")).toBe("true");
  expect(document.activeElement).toBe(button);
});

test("a form is not sent by a button that is disabled", async () => {
  const sent = vi.fn((event: React.FormEvent) => event.preventDefault());
  render(
    <form onSubmit={sent}>
      <Button type="submit" disabled>
        Send
      </Button>
    </form>,
  );
  await userEvent.click(screen.getByRole("button"));
  expect(sent).not.toHaveBeenCalled();
});
