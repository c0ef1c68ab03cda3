<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench;

use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\Core\Bench\Event\Authority;

/** What a tablet gets that has missed something. */
final readonly class PulseAnswer
{
    public function __construct(private FitBook $fits, private Recorder $recorder, private BenchPage $page, private BenchRegions $regions)
    {
    }

    /**
     * @param array<array-key, mixed> $have region => hash, as the tablet has it
     *
     * @return array<string, mixed>|null null where the sheet has no step left
     */
    public function of(string $fitId, string $stepId, int $version, Authority $hand, array $have): ?array
    {
        $record = $this->fits->get($fitId);
        $fit = $this->recorder->load($record);
        $step = $fit->sheet->step($stepId) ?? $fit->course()->currentStep();

        return null === $step ? null : $this->regions->answer($this->page->view($record, $fit, $step, $version, $hand), $have);
    }
}
