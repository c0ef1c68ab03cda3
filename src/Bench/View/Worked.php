<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench\View;

use NimbleKnuckle\App\Clutch\ClutchView;
use NimbleKnuckle\App\Devices\Curve\CurveView;
use NimbleKnuckle\App\Devices\ThermometerView;
use NimbleKnuckle\Core\ChargeAir\Line\LineDrawing;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\SumResult;

/** What is worked out of a circuit. */
final readonly class Worked implements Shown
{
    /**
     * @param array{name: string, summary: string, query: array<string, string|float>, result: ?SumResult, missing: string,
     *              headline: ?Headline, drawing: array{0: string, 1: object}|null}|null $sum
     * @param ?LineDrawing $line the charge path, where a step is about it
     * @param list<string> $soap where to soap and listen
     */
    public function __construct(
        public ?MixView $mix,
        public ?array $sum,
        public ?ThermometerView $thermometer,
        public ?VacuumView $vacuum,
        public ?CurveView $curve,
        public ?ClutchView $clutch,
        public ?LineDrawing $line,
        public array $soap,
    ) {
    }
}
