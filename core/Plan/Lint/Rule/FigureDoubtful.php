<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint\Rule;

use NimbleKnuckle\Core\Bolting\Door\TorqueCheck;
use NimbleKnuckle\Core\Plan\Lint\Rule;
use NimbleKnuckle\Core\Plan\Lint\Run;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Finding;
use NimbleKnuckle\Core\Plan\Vehicle\Joint;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** The figure of a joint contradicts itself or is past what the thread stands: figure-conflict, figure-past-thread, figure-near-yield. */
final readonly class FigureDoubtful implements Rule
{
    private const CODES = [
        'conflict' => 'figure-conflict', 'past-yield' => 'figure-past-thread', 'thread-strip' => 'figure-past-thread',
        'near-yield' => 'figure-near-yield',
    ];

    public function inspect(Run $run): iterable
    {
        foreach ($run->sheet->doing(Deed::Tighten) as $step) {
            $joint = $run->vehicle->joints[$step->joint] ?? null;
            foreach (null === $joint || !$joint->hasFigure() ? [] : $this->checks($joint) as $check) {
                $code = self::CODES[$check->code] ?? null;
                if (null !== $code) {
                    yield new Finding(
                        $code, $check->level, $step->id, $check->text,
                        'Look the figure up again and correct it on the vehicle sheet.',
                    );
                }
            }
        }
    }

    /** @return list<Check> */
    private function checks(Joint $joint): array
    {
        $sum = new TorqueCheck();
        $raw = array_filter(
            [
                'stated' => $joint->stated(), 'thread' => $joint->thread, 'grade' => $joint->grade, 'friction' => $joint->friction,
                'material' => $joint->material,
            ],
        );
        try {
            return $sum->compute(Inputs::of($raw, $sum->fields()))->checks;
        } catch (InvalidInput $e) {
            return [Check::stop('conflict', $e->getMessage())];
        }
    }
}
