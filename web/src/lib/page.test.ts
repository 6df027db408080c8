import { describe, expect, test } from "vitest";
import { pageOf } from "./page";

describe("the address of a page", () => {
  test.each(["/order/abc", "https://pay.example/1?a=b", "http://127.0.0.1:8500/pay", "HTTPS://PAY.EXAMPLE/"])(
    "%s is followed",
    (address) => {
      expect(pageOf(address)).toBe(address);
    },
  );

  test.each([
    "javascript:alert(1)",
    " JavaScript:alert(1)",
    "java\nscript:alert(1)",
    "data:text/html,<script>alert(1)</script>",
    "vbscript:x",
    "blob:https://pay.example/1",
    "http://[",
  ])("%j leads to an empty page", (address) => {
    expect(pageOf(address)).toBe("about:blank");
  });
});
