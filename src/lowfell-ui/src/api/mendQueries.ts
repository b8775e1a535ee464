import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { api, ask } from "./client";
import type { CaseQuestion } from "./types";

/** What went wrong, and what to do. */
export const mendQueries = {
  symptoms: (zoneId?: string) =>
    queryOptions({
      queryKey: ["symptoms", zoneId],
      queryFn: ({ signal }) => ask(api.GET("/api/mend/symptoms", { params: { query: { zoneId } }, signal })),
      placeholderData: keepPreviousData,
    }),
  mendCase: (question: CaseQuestion) =>
    queryOptions({
      queryKey: ["mendCase", question],
      queryFn: ({ signal }) => ask(api.POST("/api/mend/case", { body: question, signal })),
      placeholderData: keepPreviousData,
    }),
  repairs: (pieceId: string) =>
    queryOptions({
      queryKey: ["repairs", pieceId],
      queryFn: ({ signal }) => ask(api.GET("/api/mend/repairs", { params: { query: { pieceId } }, signal })),
    }),
};
