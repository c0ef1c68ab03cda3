<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\State\FitState;
use NimbleKnuckle\Core\Curve\CurveKind;
use NimbleKnuckle\Core\Fluids\UsualWarmth;
use NimbleKnuckle\Core\Lifting\EngineMount;
use NimbleKnuckle\Core\Lifting\TiltPoint;
use NimbleKnuckle\Core\Procedure\Support;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\SumBook;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Vehicle\Circuit;
use NimbleKnuckle\Core\Vehicle\Hook;
use NimbleKnuckle\Core\Vehicle\Lifting;

/** The sum a step names, filled in with what vehicle sheet and bench know; worked out where that is enough, else a link. */
final readonly class StepSum
{
    /** These have a place of their own on the bench. */
    private const SHOWN_APART = ['', 'coolant-mix', CurveKind::WarmUp->value];

    public function __construct(private SumBook $sums)
    {
    }

    /**
     * @return array{name: string, summary: string, query: array<string, string|float>, result: ?SumResult, missing: string,
     *               headline: ?Headline, drawing: array{0: string, 1: object}|null}|null
     */
    public function of(Step $step, Fit $fit): ?array
    {
        [$vehicle, $state] = [$fit->vehicle, $fit->state];
        $circuit = $vehicle->circuits[$step->target->circuit] ?? null;
        if (in_array($step->asking->sum, self::SHOWN_APART, true) || !isset($this->sums->all()[$step->asking->sum])) {
            return null;
        }
        $known = match ($step->asking->sum) {
            'lift-links' => self::links($vehicle->lifting, $step),
            'tilt-clearance' => self::tilt($vehicle->lifting, $step),
            'mount-share' => self::shares($vehicle->lifting),
            'mount-tired' => self::wear($state),
            'press-fit', 'drive-wear', 'chain-travel', 'belt-line', 'pulley-change' => TurningSums::known($step, $fit),
            'gate-preload' => BoostSums::preload($fit),
            'leak-decay' => BoostSums::leak($fit),
            'coupler-match', 'blow-off' => BoostSums::hoses($step, $fit),
            'charge-cooler' => BoostSums::cooler($fit),
            'disc-stack' => ClutchSums::known($fit),
            'volt-drop', 'plug-set', 'plug-gap' => SparkSums::known($step, $state),
            'clearance' => ['cold' => $state->readingOf('gap_cold')?->value],
            default => $this->known($step->asking->sum, $circuit, $state),
        };
        $query = array_filter($known, static fn (mixed $value): bool => null !== $value);
        $missing = '';
        try {
            $result = [] === $query ? null : $this->sums->run($step->asking->sum, $query);
        } catch (InvalidInput $e) {
            [$result, $missing] = [null, $e->getMessage()];
        }
        $sum = $this->sums->named($step->asking->sum);

        return [
            'name' => $step->asking->sum, 'summary' => $sum->about()->summary, 'query' => $query, 'result' => $result,
            'missing' => $missing,
            'headline' => null === $result ? null : $sum->headline($result),
            'drawing' => null === $result ? null : $sum->drawing(Inputs::of($query, $sum->about()->fields()), $result),
        ];
    }

    /** @return array<string, array{headline: string, verdict: string, checks: list<string>}> step => what its sum came to */
    public function worked(Fit $fit): array
    {
        $worked = [];
        foreach ($fit->sheet->steps as $step) {
            $sum = $fit->state->isDone($step->id) ? $this->of($step, $fit) : null;
            if (null !== $sum && null !== $sum['result'] && null !== $sum['headline']) {
                $worked[$step->id] = [
                    'headline' => $sum['headline']->asLine(), 'verdict' => $sum['result']->verdict->value,
                    'checks' => array_map(static fn (Check $check): string => $check->text, $sum['result']->checks),
                ];
            }
        }

        return $worked;
    }

    /** @return array<string, string|float|null> its weight on its hooks, each upright, as the vehicle sheet has them */
    private static function links(Lifting $lifting, Step $step): array
    {
        if ($lifting->mass <= 0.0 || [] === $lifting->hooks) {
            return [];
        }
        $rated = static fn (float $rating): string => $rating > 0.0 ? sprintf(' %s kg', $rating) : '';
        $hooks = Support::Bar === $step->target->load->support && !in_array('one-hook', $step->tags, true)
            ? $lifting->hooks
            : array_slice($lifting->hooks, 0, 1);

        return [
            'mass' => $lifting->mass,
            'legs' => implode('; ', array_map(static fn (Hook $hook): string => '0°'.$rated($hook->rating), $hooks)),
            'parts' => str_replace(',', '', implode(
                '; ', array_filter($step->needs->tools, static fn (string $tool): bool => str_contains($tool, ' kg')),
            )),
        ];
    }

    /** @return array<string, string|float|null> the torque is not known to a vehicle sheet: it is asked for on the sum's page */
    private static function shares(Lifting $lifting): array
    {
        return [] === $lifting->mounts ? [] : [
            'mounts' => implode('; ', array_map(static fn (EngineMount $mount): string => sprintf(
                '%s %s %s %s %s %s', $mount->name, $mount->x, $mount->y, $mount->kx, $mount->ky, $mount->isRubber ? 'rubber' : 'pu',
            ), $lifting->mounts)),
            'engine' => $lifting->mass > 0.0 ? $lifting->mass.' kg' : null,
        ];
    }

    /** @return array<string, string|float|null> what was measured of the old mounts and of the new */
    private static function wear(FitState $state): array
    {
        $value = static fn (string $field): ?float => $state->readingOf($field)?->value;
        $sides = array_filter(['left', 'right'], static fn (string $side): bool => null !== $value('height_old_'.$side)
            && null !== $value('height_new_'.$side));
        $heights = static fn (string $when): ?string => [] === $sides ? null : implode('; ', array_map(
            static fn (string $side): ?float => $value($when.$side), $sides,
        ));

        return [
            'old' => $heights('height_old_'), 'new' => $heights('height_new_'), 'rock_before' => $value('rock_before'),
            'rock_after' => $value('rock_after'),
        ];
    }

    /** @return array<string, string|float|null> */
    private static function tilt(Lifting $lifting, Step $step): array
    {
        $lifted = $lifting->lifted();
        if (null === $lifting->pivot || null === $lifted || [] === $lifting->points) {
            return [];
        }

        return [
            'pivot' => implode(' ', $lifting->pivot), 'lifted' => sprintf('%s %s', $lifted->x, $lifted->y),
            'rise' => $step->target->load->mm,
            'points' => implode('; ', array_map(static fn (TiltPoint $point): string => sprintf(
                '%s %s %s %s %s', $point->name, $point->x, $point->y, $point->gap, $point->direction,
            ), $lifting->points)),
        ];
    }

    /** @return array<string, string|float|null> */
    private function known(string $sum, ?Circuit $circuit, FitState $state): array
    {
        if (null === $circuit || $circuit->capacity <= 0.0) {
            return [];
        }
        $value = static fn (string $field): ?float => $state->readingOf($field)?->value;

        return match ($sum) {
            'coolant-protect' => [
                'base' => str_contains($circuit->blend->base, 'propylene') ? 'pg' : 'eg', 'percent' => $value('strength_before'),
                'cap' => $circuit->plumbing->cap,
            ],
            'coolant-level' => [
                'volume' => $circuit->capacity, 'percent' => $circuit->blend->target,
                'cold' => $value('coolant_temperature') ?? UsualWarmth::MORNING,
                'hot' => $value('drive_temperature') ?? UsualWarmth::driven($circuit->plumbing->opens),
                'marks' => $circuit->plumbing->marks > 0.0 ? $circuit->plumbing->marks : null,
            ],
            'oil-fill' => ['capacity' => $circuit->capacity, 'drained' => $value('oil_drained'), 'filter' => 'changed'],
            default => [],
        };
    }
}
