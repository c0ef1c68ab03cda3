<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sheet;

/**
 * The time lane as a drawing: a row for each pair of hands and one for what runs by itself; x in percent of the whole.
 */
final readonly class Lane
{
    /**
     * @param list<array{label: string, blocks: list<array{x: float, width: float, step: Step, row: int}>}> $rows
     * @param list<array{x: float, minutes: float}> $ticks
     * @param list<array{x: float, label: string}> $phases where each phase begins
     * @param list<string> $nextDays what falls due on later days
     */
    private function __construct(
        public array $rows, public array $ticks, public array $phases, public float $minutes, public array $nextDays,
    ) {
    }

    public static function of(Sheet $sheet): self
    {
        $whole = max(1.0, $sheet->timing->likely);
        $labels = 2 === $sheet->timing->people ? ['first', 'second', 'by itself'] : ['hands', 'by itself'];
        $blocks = [];
        $phases = [];
        $later = [];
        foreach ($sheet->steps as $step) {
            [$from, $to, $who] = $sheet->timing->spans[$step->id] ?? [0.0, 0.0, 1];
            $row = 0 === $who ? count($labels) - 1 : min($who, count($labels) - 1) - 1;
            $blocks[$row][] = ['x' => 100 * $from / $whole, 'width' => 100 * ($to - $from) / $whole, 'step' => $step, 'row' => $row];
            $phases[$step->slot->phase->value] ??= ['x' => 100 * $from / $whole, 'label' => $step->slot->phase->label()];
            if (!$step->asking->followUp->isNone()) {
                $later[] = sprintf(
                    '%s: %s',
                    1 === $step->asking->followUp->days ? 'next morning' : sprintf(
                        'in %d days%s', $step->asking->followUp->days,
                        $step->asking->followUp->km > 0 ? sprintf(' or %d km', $step->asking->followUp->km) : '',
                    ),
                    $step->asking->followUp->title,
                );
            }
        }
        $every = $whole > 300 ? 60 : 30;
        $ticks = [];
        for ($minutes = 0; $minutes <= $whole; $minutes += $every) {
            $ticks[] = ['x' => 100 * $minutes / $whole, 'minutes' => (float) $minutes];
        }

        $rows = [];
        foreach ($labels as $row => $label) {
            $rows[] = ['label' => $label, 'blocks' => $blocks[$row] ?? []];
        }

        return new self($rows, $ticks, array_values($phases), $whole, $later);
    }
}
