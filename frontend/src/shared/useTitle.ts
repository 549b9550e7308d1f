// What the browser calls the page.
import { useEffect } from "react";

export function useTitle(...parts: (string | undefined)[]): void {
  const title = [...parts.filter(Boolean), "Zirkel"].join(" · ");
  useEffect(() => {
    document.title = title;
  }, [title]);
}
