import { act, renderHook } from "@testing-library/react";
import type { ReactNode } from "react";
import { createMemoryRouter, RouterProvider, useLocation } from "react-router";
import { expect, test } from "vitest";
import { useChosen } from "./useChosen";

function open(address: string) {
  let inside: ReactNode = null;
  const router = createMemoryRouter([{ path: "*", element: <Outlet /> }], { initialEntries: [address] });
  function Outlet() {
    return inside;
  }
  const hook = renderHook(() => ({ chosen: useChosen("coat"), search: useLocation().search }), {
    wrapper: ({ children }) => {
      inside = children;
      return <RouterProvider router={router} />;
    },
  });
  return { hook, router };
}

test("what is chosen shows at once and stands in the address", async () => {
  const { hook } = open("/stack?coat=a&zone=z");
  expect(hook.result.current.chosen[0]).toBe("a");
  await act(async () => hook.result.current.chosen[1]("b"));
  expect(hook.result.current.chosen[0]).toBe("b");
  expect(hook.result.current.search).toBe("?coat=b&zone=z");
  await act(async () => hook.result.current.chosen[1](null));
  expect(hook.result.current.chosen[0]).toBeNull();
  expect(hook.result.current.search).toBe("?zone=z");
});

test("of two choices in a row the last stands", async () => {
  const { hook } = open("/stack");
  await act(async () => {
    hook.result.current.chosen[1]("a");
    hook.result.current.chosen[1]("b");
  });
  expect(hook.result.current.chosen[0]).toBe("b");
});

test("an address that is gone to is followed", async () => {
  const { hook, router } = open("/stack?coat=a");
  await act(async () => router.navigate("/stack?coat=c"));
  expect(hook.result.current.chosen[0]).toBe("c");
});
