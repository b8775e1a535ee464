import { act, renderHook } from "@testing-library/react";
import { expect, test } from "vitest";
import { changedOf, useKeptForm } from "./useKeptForm";

interface Form {
  name: string;
  finish: string;
}

const open = (start: Form) => renderHook(() => useKeptForm<Form>("zone 1", start));

test("what was typed is there again, and what was changed elsewhere meanwhile is not overwritten", () => {
  const first = open({ name: "Walkway", finish: "matt" });
  act(() => first.result.current.setValue("name", "Walk"));
  first.unmount();
  const again = open({ name: "Walkway", finish: "satin" });
  expect(again.result.current.draft.taken).toBe(true);
  expect(again.result.current.getValues()).toEqual({ name: "Walk", finish: "satin" });
});

test("a form that was only looked at, or typed back to what it was, leaves no draft", () => {
  const looked = open({ name: "Walkway", finish: "matt" });
  looked.unmount();
  const typed = open({ name: "Walkway", finish: "matt" });
  act(() => typed.result.current.setValue("name", "Walk"));
  act(() => typed.result.current.setValue("name", "Walkway"));
  typed.unmount();
  expect(open({ name: "Walkway", finish: "matt" }).result.current.draft.taken).toBe(false);
});

test("what is kept or given up is no draft any more", () => {
  const form = open({ name: "Walkway", finish: "matt" });
  act(() => form.result.current.setValue("name", "Walk"));
  act(() => form.result.current.draft.forget());
  form.unmount();
  expect(open({ name: "Walkway", finish: "matt" }).result.current.draft.taken).toBe(false);
});

test("only what differs counts as typed", () => {
  expect(changedOf({ name: "a", mates: [1] }, { name: "a", mates: [1] })).toBeUndefined();
  expect(changedOf({ name: "b", mates: [1] }, { name: "a", mates: [1] })).toEqual({ name: "b" });
});
