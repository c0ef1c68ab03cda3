<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\ChargePath;

use NimbleKnuckle\Core\ChargeAir\Coupler;
use NimbleKnuckle\Core\ChargeAir\CouplerFit;
use NimbleKnuckle\Core\ChargeAir\CouplerMatch;
use NimbleKnuckle\Core\ChargeAir\Line\ChargeLine;
use NimbleKnuckle\Core\ChargeAir\Line\EndHold;
use NimbleKnuckle\Core\ChargeAir\Line\LineDrawing;
use NimbleKnuckle\Core\ChargeAir\Line\LineInputs;
use NimbleKnuckle\Core\ChargeAir\Wetting;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\SumBook;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Vehicle\Joint;

/** What the page of a charge path shows: its drawing, what each joint holds, which hose of the box goes where, where it chokes. */
final readonly class ChargeView
{
    private const STOP = 1.2;
    private const WATCH = 2.0;
    private const SAME = 0.02;

    /**
     * @param list<array{n: int, name: string, ends: string, hose: string, clamp: string, reach: string, margins: array<string, ?float>,
     *     levels: array<string, string>, doubts: list<string>}> $joins
     * @param ?array{name: string, result: SumResult, drawing: array{0: string, 1: object}|null} $box
     * @param ?array{name: string, result: SumResult, drawing: array{0: string, 1: object}|null} $choke
     * @param array<string, string> $weakest wetting => the end that goes first
     */
    private function __construct(
        public ChargeLine $line, public LineDrawing $drawing, public array $joins, public ?array $box, public ?array $choke,
        public array $weakest,
    ) {
    }

    /** @param array<string, Joint> $known joints of the vehicle sheet */
    public static function of(ChargeLine $line, array $known, SumBook $sums): self
    {
        $margins = $weakest = [];
        foreach (Wetting::cases() as $wetting) {
            foreach ($line->holds($line->boost, $wetting) as $end) {
                $margins[$end->join][$wetting->value] = min($margins[$end->join][$wetting->value] ?? \INF, $end->hold->margin);
            }
            $first = $line->weakest($line->boost, $wetting);
            null === $first || $weakest[$wetting->value] = sprintf('%s, %s', $first->name, self::side($line, $first));
        }
        $joins = $levels = [];
        foreach ($line->joins as $i => $join) {
            $row = self::join($line, $i, $margins[$i] ?? [], $known);
            $joins[] = $row;
            $levels[$i] = [] !== $row['doubts'] ? 'stop' : $row['levels'][Wetting::Dry->value] ?? '';
        }

        return new self(
            $line, LineDrawing::of($line, $levels), $joins, self::sum($sums, 'coupler-match', LineInputs::box($line)),
            self::sum($sums, 'charge-path', LineInputs::path($line)), $weakest,
        );
    }

    /** @return array<int, array{name: string, a: float, b: float, angle: float}> join => the hose of the box, the way round it goes */
    public static function matched(ChargeLine $line): array
    {
        $ends = $line->open();
        $places = array_keys($ends);
        $hoses = [];
        foreach (CouplerMatch::of(array_values($ends), $line->hoses)->joined as $i => [$n, $fit]) {
            $hose = $line->hoses[$n];
            $hoses[$places[$i]] = [
                'name' => $hose->name, 'a' => $fit->isTurned ? $hose->b : $hose->a, 'b' => $fit->isTurned ? $hose->a : $hose->b,
                'angle' => $hose->angle,
            ];
        }

        return $hoses;
    }

    /**
     * One label a hose: where it goes, which way round, which clamps, and what is on it in the end.
     *
     * @return list<array{number: int, name: string, pieces: list<string>, back: string}>
     */
    public static function labels(ChargeLine $line, SumBook $sums): array
    {
        $clamps = self::sum($sums, 'coupler-match', LineInputs::box($line))['result'] ?? null;
        $named = null === $clamps ? [] : $clamps->entries('clamp');
        $labels = [];
        $n = 0;
        foreach (self::matched($line) as $i => $hose) {
            $pair = array_slice($named, 2 * $n++, 2);
            $labels[] = [
                'number' => $i + 1, 'name' => $line->joins[$i]->name, 'pieces' => array_values(array_filter([
                    sprintf('%s, %s end to the %s', $hose['name'], self::mm($hose['a']), $line->parts[$i]->name),
                    [] === $pair ? '' : 'clamps '.implode(' and ', array_map(strval(...), $pair)),
                ])), 'back' => '',
            ];
        }

        return $labels;
    }

    private static function side(ChargeLine $line, EndHold $end): string
    {
        return sprintf('the end of the %s%s', $line->parts[$end->join + $end->side]->name, $end->hasBead ? '' : ', no bead');
    }

    /**
     * @param array<string, float> $margins
     * @param array<string, Joint> $known
     *
     * @return array{n: int, name: string, ends: string, hose: string, clamp: string, reach: string, margins: array<string, ?float>,
     *     levels: array<string, string>, doubts: list<string>}
     */
    private static function join(ChargeLine $line, int $i, array $margins, array $known): array
    {
        $join = $line->joins[$i];
        $ends = $line->ends()[$i] ?? null;
        $levels = array_map(static fn (float $margin): string => match (true) {
            $margin < self::STOP => $join->isTied ? 'watch' : 'stop',
            $margin < self::WATCH => 'watch',
            default => 'ok',
        }, $margins);

        return [
            'n' => $i + 1, 'name' => $join->name,
            'ends' => null === $ends ? 'flange to flange' : sprintf('%s to %s', self::mm($ends->a), self::mm($ends->b)),
            'hose' => null === $join->hose ? '' : sprintf(
                '%s, %s to %s', $join->hose->name, self::mm($join->hose->a), self::mm($join->hose->b),
            ),
            'clamp' => null === $join->clamp ? '' : self::clamp($line, $i), 'reach' => $join->clamp->reach ?? '',
            'margins' => $margins, 'levels' => $levels,
            'doubts' => array_values(array_filter([
                self::misfit($line, $i), self::clampMisfit($line, $i), self::otherFigure($line, $i, $known),
            ])),
        ];
    }

    private static function clamp(ChargeLine $line, int $i): string
    {
        $clamp = $line->joins[$i]->clamp;

        return null === $clamp ? '' : implode(', ', array_filter([
            $clamp->kind->value, $clamp->to > 0.0 ? sprintf('%s to %s', self::mm($clamp->from, false), self::mm($clamp->to)) : '',
            $clamp->torque > 0.0 ? sprintf('%s N·m', round($clamp->torque, 2)) : '',
            $clamp->never > 0.0 ? sprintf('never past %s N·m', round($clamp->never, 2)) : '',
        ]));
    }

    private static function misfit(ChargeLine $line, int $i): string
    {
        [$ends, $hose] = [$line->ends()[$i] ?? null, $line->joins[$i]->hose];

        return null === $ends || null === $hose || null !== CouplerFit::of($ends, $hose) ? '' : sprintf(
            '%s does not go on %s and %s.', $hose->name, self::mm($ends->a), self::mm($ends->b),
        );
    }

    private static function clampMisfit(ChargeLine $line, int $i): string
    {
        $join = $line->joins[$i];
        $ends = $line->ends()[$i] ?? null;
        $wall = 2 * ($join->hose->wall ?? Coupler::WALL);
        foreach (null === $ends ? [] : [$ends->a, $ends->b] as $d) {
            if (false === $join->clamp?->goesRound($d + $wall)) {
                return sprintf('Its clamp does not close round %s.', self::mm($d + $wall));
            }
        }

        return '';
    }

    /** @param array<string, Joint> $known */
    private static function otherFigure(ChargeLine $line, int $i, array $known): string
    {
        $join = $line->joins[$i];
        $joint = $known[$join->joint] ?? null;
        if (null === $joint || null === $join->clamp || $join->clamp->torque <= 0.0 || !$joint->hasFigure()) {
            return '';
        }
        $target = $joint->spec->target();

        return abs($target - $join->clamp->torque) < self::SAME * $target ? '' : sprintf(
            'The clamp says %s N·m, its joint card %s.', round($join->clamp->torque, 2), $joint->stated(),
        );
    }

    /**
     * @param array<string, string|float|bool> $query
     *
     * @return ?array{name: string, result: SumResult, drawing: array{0: string, 1: object}|null}
     */
    private static function sum(SumBook $sums, string $name, array $query): ?array
    {
        if ([] === $query) {
            return null;
        }
        $sum = $sums->named($name);
        try {
            $result = $sums->run($name, $query);
        } catch (InvalidInput) {
            return null;
        }

        return ['name' => $name, 'result' => $result, 'drawing' => $sum->drawing(Inputs::of($query, $sum->about()->fields()), $result)];
    }

    private static function mm(float $mm, bool $withUnit = true): string
    {
        return round($mm, 1).($withUnit ? ' mm' : '');
    }
}
