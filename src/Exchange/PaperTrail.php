<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Exchange;

use NimbleKnuckle\App\Costs\CostBook;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Jobs\JobBook;
use NimbleKnuckle\App\Photos\PhotoView;
use NimbleKnuckle\App\Photos\PrintedPhotos;
use NimbleKnuckle\App\Procedures\ProcedureShelf;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Told\FitNarrative;
use NimbleKnuckle\Core\Bench\Told\JointTold;
use NimbleKnuckle\Core\Bench\Told\ReadingTold;
use NimbleKnuckle\Core\Cost\PartUsed;

/** What the customer is told: what was done and why, what was measured and found, what is due. No jargon, no ids. */
final readonly class PaperTrail
{
    public function __construct(
        private JobBook $jobs, private CostBook $costs, private ProcedureShelf $shelf, private PrintedPhotos $photos,
    ) {
    }

    /**
     * Of a record all, of a hand-over what says what it is.
     *
     * @return list<array{photo: PhotoView, jpeg: string, marks: string, high: int}>
     */
    public function pictures(Fit $fit, string $fitId, string $kind): array
    {
        return in_array($kind, ['record', 'hand-over'], true) ? $this->photos->of($fit, $fitId, 'hand-over' === $kind) : [];
    }

    /** @return array<string, mixed> */
    public function handOver(FitRecord $record, Fit $fit): array
    {
        $told = new FitNarrative($fit);
        $whole = array_filter($told->joints(), static fn (JointTold $joint): bool => $joint->isWhole() && '' !== $joint->figure);
        $work = [];
        foreach ($record->procedures as $id) {
            $work[] = $this->shelf->procedure($id, $record->procedureTexts[$id] ?? '')->title ?? $record->title;
        }

        return [
            'job' => $this->jobs->of($record->id), 'work' => array_values(array_unique($work)),
            // What was only written down on the way says nothing to whoever was not there.
            'measured' => array_values(array_filter($told->readings(), static fn (ReadingTold $one): bool => '' !== $one->limits)),
            'tightened' => [count($whole), array_sum(array_map(static fn (JointTold $joint): int => $joint->count, $whole))],
            'parts' => array_values(array_filter(
                $this->costs->of($record->id, $fit)->parts,
                static fn (PartUsed $part): bool => !$part->isConsumable && 0.0 !== $part->used,
            )),
        ];
    }
}
