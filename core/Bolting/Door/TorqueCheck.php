<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting\Door;

use NimbleKnuckle\Core\Bolting\Bolt;
use NimbleKnuckle\Core\Bolting\BoltFields;
use NimbleKnuckle\Core\Bolting\Friction;
use NimbleKnuckle\Core\Bolting\Grade;
use NimbleKnuckle\Core\Bolting\Material;
use NimbleKnuckle\Core\Bolting\Statements;
use NimbleKnuckle\Core\Bolting\TorqueBars;
use NimbleKnuckle\Core\Bolting\TorqueLoad;
use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\Figure;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Stated;
use NimbleKnuckle\Core\Quantity\Torque;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Quantity\UnitSystem;
use NimbleKnuckle\Core\Sum\About;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;

/**
 * Reads a torque as it is written, holds its two statements against each other and against what the thread can stand.
 * Torques in N·m; a conflict is a verdict of stop, never a silent choice. Yield after VDI 2230-1.
 */
final readonly class TorqueCheck implements Sum
{
    public function about(): About
    {
        return new About('torque-check', 'Check a torque figure', 'What is the figure', static fn (): array => [
            Field::text('stated', 'The figure as written', '29 ft-lb / 21 Nm', 'One figure, a range, or the same figure in two units.'),
            Field::text('thread', 'Thread', 'M8', 'M8, M10x1.25, 5/16-18, #10-32')->optional(),
            Field::choice('grade', 'Bolt grade', Grade::choices(), 'Unknown: 8.8 is assumed.')->optional(),
            Field::text(
                'friction', 'Thread and head', 'oiled',
                'oiled, as supplied, dry zinc, anti-seize, threadlocker wet, waxed aluminium, stainless dry, or a number',
            )->optional(),
            Field::choice('material', 'Screws into', Material::choices())->optional(),
        ], ['thread', 'grade' => '8.8', 'friction']);
    }

    public function headline(SumResult $r): Headline
    {
        $units = UnitSystem::heardIn(...array_values(array_filter($r->inputs, is_string(...))));

        return self::stated($r, $units);
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['torque', self::bars($in->stated('stated', Kind::Torque), $r)];
    }

    public function compute(Inputs $in): SumResult
    {
        $stated = $in->stated('stated', Kind::Torque);
        $figures = $stated->figures();
        $first = $stated->middle ?? $stated->low;
        $values = [
            'torque' => Value::of($first->value(), Unit::NewtonMetre->value),
            'lowest' => Value::of($stated->low->lowest(), Unit::NewtonMetre->value),
            'highest' => Value::of($stated->high->highest(), Unit::NewtonMetre->value),
        ];
        if ($stated->isRange()) {
            $values['range_low'] = Value::of($stated->low->value(), Unit::NewtonMetre->value);
            $values['range_high'] = Value::of($stated->high->value(), Unit::NewtonMetre->value);
        }
        $checks = $stated->isRange() ? [$this->range($stated)] : $this->agreement($figures);
        if (null !== $stated->angle) {
            $values['angle'] = Value::of($stated->angle->value(), Unit::Degree->value);
            $checks[] = Check::ok(
                'then-angle',
                sprintf('%s° further follow: the share of yield here is that of the torque alone.', Show::n($stated->angle->value())),
            );
        }
        $working = array_map($this->reading(...), $stated->isRange() ? [$stated->low, $stated->high] : $figures);
        if ($in->has('thread')) {
            [$utilisation, $moreChecks, $moreWorking] = $this->load($in, $stated->high);
            $values['utilisation'] = Value::of($utilisation, Unit::Percent->value);
            $checks = [...$checks, ...$moreChecks];
            $working = [...$working, ...$moreWorking];
        } elseif ($in->has('grade') || $in->has('friction') || $in->has('material')) {
            $this->readUnused($in);
            $checks[] = Check::ok('thread-needed', 'Give the thread too, and the figure is held against what it can stand.');
        }

        return new SumResult($this->about()->name, $in->raw, $values, $checks, $working);
    }

    private static function bars(Stated $stated, SumResult $result): TorqueBars
    {
        $yield = $result->has('utilisation') ? $stated->high->value() / max(1e-9, $result->number('utilisation') / 100) : 0.0;

        return TorqueBars::of($stated->isRange() ? [$stated->low, $stated->high] : $stated->figures(), $yield);
    }

    private static function stated(SumResult $r, UnitSystem $units): Headline
    {
        $share = $r->has('utilisation') ? sprintf('%.0f %% of yield', $r->number('utilisation')) : '';
        if ($r->hasCheck('conflict')) {
            return new Headline('The two figures disagree', []);
        }
        if (!$r->has('range_low')) {
            return Headline::torque('', $r->number('torque'), $units, $share);
        }
        $range = sprintf('%s to %s', Digits::of(Kind::Torque, $r->number('range_low')), Digits::of(Kind::Torque, $r->number('range_high')));

        return new Headline('', [['number' => $range, 'unit' => 'N·m']], '' === $share ? '' : $share.' at the top of the range');
    }

    private function range(Stated $stated): Check
    {
        return Check::ok('range', sprintf('A range: %s to %s N·m.', Show::n($stated->low->value()), Show::n($stated->high->value())));
    }

    /**
     * @param non-empty-list<Figure> $figures
     *
     * @return list<Check>
     */
    private function agreement(array $figures): array
    {
        if (1 === count($figures)) {
            return [Check::ok('single', sprintf('One figure: %s N·m.', Show::n($figures[0]->value())))];
        }
        [$a, $b] = $figures;
        if (Statements::agree($a, $b)) {
            return [Check::ok('agree', sprintf('The two statements agree: %s and %s N·m.', Show::n($a->value()), Show::n($b->value())))];
        }
        $conflict = Check::stop('conflict', sprintf(
            'The two statements disagree: “%s” is %s N·m, “%s” is %s N·m. Find the right one in the maker’s service '
                .'information before tightening.',
            $a->text, Show::n($a->value(), 3), $b->text, Show::n($b->value(), 3),
        ));

        return [$conflict, ...TorqueSuspects::between($a, $b)];
    }

    private function reading(Figure $figure): Working
    {
        return new Working(
            sprintf('“%s” in N·m', $figure->text),
            'T = number × factor',
            sprintf('%s × %s', Show::n($figure->written(), 6), Show::n($figure->unit->factor(), 8)),
            sprintf('%s N·m, written to ± %s', Show::n($figure->value(), 5), Show::n($figure->halfStep, 3)),
            'NIST SP 811, appendix B',
        );
    }

    /** @return array{float, list<Check>, list<Working>} */
    private function load(Inputs $in, Figure $figure): array
    {
        $load = TorqueLoad::of(
            Torque::newtonMetres($figure->value()),
            Bolt::named(
                $in->text('thread'), $in->has('grade') ? $in->text('grade') : '', $in->has('friction') ? $in->text('friction') : '',
            ),
        );
        $isGuess = !$in->has('grade') && !$in->has('friction');
        $checks = [...BoltFields::assumed($in), self::unguessed($this->judged($load), $isGuess)];
        $working = $this->loadLines($load);
        if ($in->has('material')) {
            $material = Material::parse($in->text('material'));
            $checks[] = self::unguessed($this->stripping($load->ofStrip($material)->percent(), $material), $isGuess);
            $working[] = $this->stripLine($load, $material);
        }

        return [$load->ofYield->percent(), $checks, $working];
    }

    /** A stop that rests on a grade and a friction nobody has said is no more than a reason to look. */
    private static function unguessed(Check $check, bool $isGuess): Check
    {
        return !$isGuess || Level::Stop !== $check->level ? $check : Check::watch(
            $check->code, $check->text.' Grade and thread condition are both assumed: say one of them, and it is judged.',
        );
    }

    /** @return list<Working> */
    private function loadLines(TorqueLoad $load): array
    {
        $bolt = $load->bolt;
        [$thread, $low] = [$bolt->thread, $bolt->friction->low];

        return [
            Working::by(
                $area = $thread->areaFormula(), 'Stress area', 'mm²', $thread->isUnified() ? 'ASME B1.1' : 'ISO 898-1, ISO 68-1',
                with: $area->listed().' mm',
            ),
            Working::by(
                $bolt->preload()->yieldFormula($low), 'Preload at yield, low friction', 'N', 'VDI 2230-1', with: sprintf(
                    'Rp = %s MPa, P = %s mm, μG = %s', Show::n($bolt->grade->yieldStress()), Show::n($thread->pitch), Show::n($low),
                ),
            ),
            Working::by(
                $load->yieldFormula(), 'Torque at yield, low friction', 'N·m', 'VDI 2230-1; head ISO 4014, hole ISO 273',
                with: sprintf('DKm = %s mm, μK = %s', Show::n($bolt->face->meanDiameter()), Show::n($bolt->friction->head($low))),
            ),
            Working::by($load->shareFormula(), 'Share of yield', '%', 'definition'),
        ];
    }

    private function stripLine(TorqueLoad $load, Material $material): Working
    {
        return Working::by(
            $load->stripFormula($material), 'Thread strip, one diameter engaged (assumed)', '',
            'shear area on the basic profile; τ a working value at the low end',
            with: sprintf('d = Le = %s mm, τ = %s MPa', Show::n($load->bolt->thread->diameter), Show::n($material->shearStrength())),
            result: sprintf('%s N against %s N of preload', Show::n($load->stripForce($material)->newtons), Show::n($load->pull->newtons)),
        );
    }

    private function judged(TorqueLoad $load): Check
    {
        $said = sprintf(
            '%.0f %% of what brings %s %s to yield at the low end of friction', $load->ofYield->percent(), $load->bolt->thread->name,
            $load->bolt->grade->value,
        );

        return match (true) {
            $load->isPastYield() => Check::stop(
                'past-yield', $said.': too much for this thread. Look for a slip in the unit or the point.',
            ),
            $load->isNearYield() => Check::watch(
                'near-yield', $said.': little is left. Clean thread, the stated lubricant, a wrench in date.',
            ),
            default => Check::ok('within-yield', $said.'.'),
        };
    }

    private function stripping(float $share, Material $material): Check
    {
        return match (true) {
            $share > 100.0 => Check::stop(
                'thread-strip',
                sprintf('The preload is %.0f %% of what strips %s with one diameter engaged.', $share, $material->value),
            ),
            $share > 80.0 => Check::watch(
                'thread-strip',
                sprintf('The preload is %.0f %% of what strips %s with one diameter engaged: check the depth.', $share, $material->value),
            ),
            default => Check::ok(
                'thread-holds',
                sprintf('The thread in %s holds: %.0f %% of its strip force with one diameter engaged.', $material->value, $share),
            ),
        };
    }

    /** What cannot be used without a thread must still be sound. */
    private function readUnused(Inputs $in): void
    {
        if ($in->has('grade')) {
            Grade::parse($in->text('grade'));
        }
        if ($in->has('friction')) {
            Friction::parse($in->text('friction'));
        }
        if ($in->has('material')) {
            Material::parse($in->text('material'));
        }
    }
}
