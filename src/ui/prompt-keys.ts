import { KeyboardSensor, type KeyboardSensorProps } from '@dnd-kit/core';

/**
 * Moving by keys, for hands that are quicker than the page: the sensor listens only a moment after the step is picked
 * up, and a key pressed in that moment would do nothing. It is held, and pressed again once the sensor listens.
 */
export class PromptKeyboardSensor extends KeyboardSensor {
  constructor(props: KeyboardSensorProps) {
    super(props);
    const held: KeyboardEvent[] = [];
    const hold = (event: KeyboardEvent): void => {
      if (event === props.event) return;
      event.preventDefault();
      held.push(event);
    };
    document.addEventListener('keydown', hold);
    setTimeout(() => {
      document.removeEventListener('keydown', hold);
      for (const { code, key } of held)
        document.dispatchEvent(new KeyboardEvent('keydown', { code, key, cancelable: true }));
    });
  }
}
