<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Signing;

use NimbleKnuckle\Core\Bench\Fit;

/** The name of a loose end that may be closed by now, for the record: never its id. */
final readonly class EndNames
{
    public function __construct(private Fit $fit)
    {
    }

    public function of(string $end): string
    {
        foreach ((new LooseEnds($this->fit))->all() as $open) {
            if ($open->id === $end) {
                return sprintf('%s (%s)', $open->what, $open->kind->label());
            }
        }
        [$kind, $id] = [...explode(':', $end, 2), ''];

        return self::sentence($kind, $this->named($kind, $id));
    }

    private function named(string $kind, string $id): string
    {
        $vehicle = $this->fit->vehicle;

        return match ($kind) {
            'item', 'tray', 'broken' => $vehicle->items[explode(':', $id, 2)[0]]->name ?? '',
            'joint' => $vehicle->joints[$id]->name ?? '',
            'twice' => $vehicle->joints[explode('.', $id, 2)[0]]->name ?? '',
            'circuit', 'flow' => $vehicle->circuits[$id]->name ?? '',
            'dropped' => $this->fit->state->event($id)?->string('what') ?? '',
            'mishap' => null === ($event = $this->fit->state->event($id)) ? '' : Fit::told($event),
            'inside' => explode(' ', $id, 2)[1] ?? '',
            'tool', 'support' => $id,
            'wait', 'step', 'again', 'curve', 'reading' => $this->fit->sheet->step(explode(':', $id, 2)[0])->words->title ?? '',
            'rivals' => $this->fit->readings()->label(...array_pad(explode(':', $id, 2), 2, '')),
            'due' => $this->followUp($id),
            default => '',
        };
    }

    private function followUp(string $id): string
    {
        foreach ($this->fit->sheet->steps as $step) {
            if ($step->asking->followUp->id === $id) {
                return $step->asking->followUp->title;
            }
        }

        return '';
    }

    private static function sentence(string $kind, string $name): string
    {
        $kinds = ['item' => 'removed', 'wait' => 'waiting', 'again' => 'step'];
        $label = LooseEndKind::tryFrom($kinds[$kind] ?? $kind)?->label() ?? 'a loose end';

        return '' === $name ? ucfirst($label) : sprintf('%s (%s)', ucfirst($name), $label);
    }
}
