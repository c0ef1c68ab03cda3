<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench\View;

use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\Core\Bench\Act\Act;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Sheet\Step;

/** Everything the bench shows of one step at one moment. */
final readonly class BenchView
{
    /**
     * @param int $version of the log
     * @param list<array<string, mixed>> $ahead the acts that follow, as far as they are known
     * @param list<Shown> $shown the parts, each with what its templates name
     */
    public function __construct(
        public FitRecord $record,
        public Fit $fit,
        public Step $step,
        public Act $act,
        public int $version,
        public \DateTimeImmutable $clock,
        public array $ahead,
        public array $shown,
    ) {
    }

    /** Whether a clock of this page is running. */
    public function runsClock(): bool
    {
        foreach ($this->shown as $part) {
            if ($part instanceof FitProgress) {
                return [] !== $part->waits || null !== $part->running;
            }
        }

        return false;
    }

    /** @return array<string, mixed> name in the templates => what it is */
    public function names(): array
    {
        $names = [];
        foreach ($this->shown as $part) {
            foreach (get_object_vars($part) as $name => $value) {
                $names[(string) $name] = $value;
            }
        }

        return [
            'record' => $this->record, 'units' => $this->fit->vehicle->units(), 'fit' => $this->fit, 'step' => $this->step,
            'version' => $this->version, 'act' => $this->act, 'clock' => $this->clock,
            'circuit' => $this->fit->vehicle->circuits[$this->step->target->circuit] ?? null,
        ] + $names;
    }
}
