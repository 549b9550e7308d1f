// Takes one thing out of a list, named for those who only hear it.

import { Button } from "antd";

export function Remove({ name, onRemove }: { name: string; onRemove: () => void }) {
  return (
    <Button size="middle" type="text" aria-label={`Remove ${name}`} onClick={onRemove}>
      Remove
    </Button>
  );
}
