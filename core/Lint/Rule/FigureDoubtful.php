<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Bolting\Bolt;
use NimbleKnuckle\Core\Bolting\Material;
use NimbleKnuckle\Core\Bolting\Statements;
use NimbleKnuckle\Core\Bolting\TorqueLoad;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\Torque;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Vehicle\Joint;

/** The figure of a joint contradicts itself or is past what the thread stands: figure-conflict, figure-past-thread, figure-near-yield. */
final readonly class FigureDoubtful implements Rule
{
    private const MEANT = 'Some are meant so: see that thread, what is on it and the wrench are right. The figure itself stands.';
    private const ASSUMED = ' Grade and thread condition are both assumed: enter one of them, and it is judged.';
    private const REMEDY = 'Look the figure up again and correct it on the vehicle sheet.';

    public function inspect(Run $run): iterable
    {
        foreach ($run->sheet->doing(StepKind::Tighten) as $step) {
            $joint = $run->vehicle->joints[$step->target->joint] ?? null;
            if (null === $joint || !$joint->hasFigure()) {
                continue;
            }
            foreach ([...$this->conflicts($joint), ...$this->loads($joint)] as [$code, $level, $said]) {
                yield new Finding($code, $level, $step->id, $said, 'figure-near-yield' === $code ? self::MEANT : self::REMEDY);
            }
        }
    }

    /** @return list<array{string, Level, string}> */
    private function conflicts(Joint $joint): array
    {
        $figures = $joint->spec->statements();
        if (2 !== count($figures) || Statements::agree(...$figures)) {
            return [];
        }
        [$a, $b] = $figures;

        return [['figure-conflict', Level::Stop, sprintf(
            'The two statements disagree: “%s” is %s N·m, “%s” is %s N·m. Find the right one in the maker’s service '
                .'information before tightening.',
            $a->text, Digits::significant($a->value(), 3), $b->text, Digits::significant($b->value(), 3),
        )]];
    }

    /** @return list<array{string, Level, string}> */
    private function loads(Joint $joint): array
    {
        if ('' === $joint->fastener->thread) {
            return [];
        }
        try {
            $bolt = Bolt::named($joint->fastener->thread, $joint->fastener->grade, $joint->seat->friction);
            $material = '' === $joint->seat->material ? null : Material::parse($joint->seat->material);
        } catch (InvalidInput $e) {
            return [['figure-conflict', Level::Stop, $e->getMessage()]];
        }
        $load = TorqueLoad::of(Torque::newtonMetres($joint->spec->high()), $bolt);

        $found = [...$this->yields($load), ...(null === $material ? [] : $this->strips($load, $material))];

        return '' !== $joint->fastener->grade || $joint->seat->isSaid ? $found : array_map(static fn (array $one): array => (
            Level::Stop === $one[1] ? [$one[0], Level::Watch, $one[2].self::ASSUMED] : $one
        ), $found);
    }

    /** @return list<array{string, Level, string}> */
    private function yields(TorqueLoad $load): array
    {
        $said = sprintf(
            '%.0f %% of what brings %s %s to yield at the low end of friction', $load->ofYield->percent(), $load->bolt->thread->name,
            $load->bolt->grade->value,
        );

        return match (true) {
            $load->isPastYield() => [[
                'figure-past-thread', Level::Stop, $said.': too much for this thread. Look for a slip in the unit or the point.',
            ]],
            $load->isNearYield() => [[
                'figure-near-yield', Level::Watch, $said.': little is left. Clean thread, the stated lubricant, a wrench in date.',
            ]],
            default => [],
        };
    }

    /** @return list<array{string, Level, string}> */
    private function strips(TorqueLoad $load, Material $material): array
    {
        $share = $load->ofStrip($material)->ofOne;

        return $share <= TorqueLoad::NEAR ? [] : [[
            'figure-past-thread', $share > 1.0 ? Level::Stop : Level::Watch,
            sprintf(
                'The preload is %.0f %% of what strips %s with one diameter engaged%s', 100 * $share, $material->value,
                $share > 1.0 ? '.' : ': check the depth.',
            ),
        ]];
    }
}
