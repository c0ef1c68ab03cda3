<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Curve;

use NimbleKnuckle\App\Devices\DeviceAtHand;
use NimbleKnuckle\App\Devices\ReadingRecord;
use NimbleKnuckle\Core\Bench\Task\PressTask;
use NimbleKnuckle\Core\Drawing\Plot;

/** What the bench shows at a step that takes a curve: the last one with its verdict, and the ways to hand in the next. */
final readonly class CurveView
{
    /** @var array<string, string> what the simulated one can be told to do */
    public array $faults;
    /** @var list<CurveField> */
    public array $asked;
    /** @var array<array-key, mixed> what was refused and stays in the form */
    public array $typed;

    /**
     * @param ?PressTask $task of a hub; null while something is not measured, or it is none
     * @param ?Plot $plot null where no curve was handed in
     * @param list<DeviceAtHand> $all devices that send
     * @param ?DeviceAtHand $simulated the one that ships, where the workshop keeps it
     * @param array{array<string, string>, list<CurveField>, array<array-key, mixed>} $form faults, fields, what was refused
     */
    public function __construct(
        public CurveWords $words, public bool $isTaken, public ?PressTask $task, public ?ReadingRecord $reading, public ?Plot $plot,
        public array $all, public ?DeviceAtHand $simulated, array $form,
    ) {
        [$this->faults, $this->asked, $this->typed] = $form;
    }
}
