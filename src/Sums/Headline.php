<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Sums;

use NimbleKnuckle\App\Web\Format;
use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\UnitSystem;
use NimbleKnuckle\Core\Sum\SumResult;

/** What a sum's page says first and largest: a lead, one or two figures with their units, and what stands beside them. */
final readonly class Headline
{
    /** @param list<array{number: string, unit: string}> $figures */
    private function __construct(public string $lead, public array $figures, public string $beside, public bool $isEstimate = false)
    {
    }

    public static function of(SumResult $r): self
    {
        $units = UnitSystem::heardIn(...array_values(array_filter($r->inputs, is_string(...))));

        return match ($r->sum) {
            'torque-check' => self::stated($r, $units),
            'torque-estimate' => new self('Estimated', [['number' => Format::torque($r->number('torque')), 'unit' => 'N·m']], self::joined(Format::beside($r->number('torque'), 'N·m', $units), sprintf('clamps with %s to %s kN', self::kilo($r->number('preload_low')), self::kilo($r->number('preload_high')))), true),
            'angle-tighten' => new self('Clamps with', [self::figure($r->number('preload') / 1000, 'kN')], sprintf('%.0f %% of yield%s', $r->number('utilisation'), $r->has('pulls') ? sprintf(', %d pull%s, the last one %s°', $r->number('pulls'), 1.0 === $r->number('pulls') ? '' : 's', Format::plain($r->number('last_pull'))) : '')),
            'part-turn' => new self('Snug, then', [self::figure($r->number('angle'), '°')], sprintf('gives about %s kN, %s to %s by feel', self::kilo($r->number('preload')), self::kilo($r->number('preload_low')), self::kilo($r->number('preload_high'))), true),
            'wrench-set' => self::torque('Set the wrench to', $r->number('setting'), $units, sprintf('factor %.3f', $r->number('factor'))),
            'wrench-pick' => new self('Take the', array_map(static fn (float|string $name): array => ['number' => '' === $name ? 'none' : (string) $name, 'unit' => ''], array_slice(array_values(array_unique($r->entries('pick'))), 0, 4)), ''),
            'tighten-order' => new self('In this order', [['number' => implode(' ', array_map(static fn (float|string $n): string => (string) (int) $n, $r->entries('order'))), 'unit' => '']], implode(', ', array_map(static fn (float|string $n): string => Format::plain((float) $n), $r->entries('passes'))).' %'),
            'even-take-up' => new self('Each screw', [self::figure($r->number('turns'), 'turns')], sprintf('in %d rounds, the last one %s°', $r->number('rounds'), Format::plain($r->number('last_turn')))),
            'thread-engagement' => new self('Needs', [self::figure($r->number('needed'), 'mm')], sprintf('strips at %s kN, the bolt breaks at %s', self::kilo($r->number('strip_force')), self::kilo($r->number('bolt_force')))),
            'thread-gauge' => new self('It is', [['number' => (string) $r->entries('thread')[0], 'unit' => '']], sprintf('%s mm across, %s mm pitch', Format::plain($r->number('nominal')), Format::plain($r->number('pitch')))),
            'thread-compound' => new self('Use', [['number' => (string) $r->entries('compound')[0], 'unit' => '']], sprintf('a dry figure × %.2f%s', $r->number('factor'), $r->has('cure') ? ', cures in about '.Format::hours($r->number('cure')) : '')),
            'bolt-reuse' => $r->has('stretch') ? new self('Longer for good by', [self::figure($r->number('stretch'), 'mm')], '') : new self('Left to the limit', [self::figure($r->number('margin'), 'mm')], ''),
            'trace-judge' => new self('', [['number' => $r->checks[0]->code, 'unit' => '']], sprintf('%s N·m at the end, %s N·m a degree', Format::torque($r->number('final_torque')), Format::significant($r->number('slope'), 2))),
            'coolant-mix' => new self('Pour', [self::litres($r->number('pour'), 'L coolant'), self::litres($r->number('water'), 'L water')], sprintf('%s %% then%s', Format::significant($r->number('result')), $r->has('drain_needed') ? sprintf(', drain %s L for it', Format::significant($r->number('drain_needed'))) : '')),
            'coolant-protect' => new self('Freezes at', [self::celsius($r->number('freeze'))], sprintf('boils at %s °C under the cap, %s °C with it off', self::degrees($r->number('boil_capped')), self::degrees($r->number('boil_open')))),
            'vacuum-fill' => new self('Pull to', [self::figure($r->number('aim'), 'kPa')], self::joined(Format::vacuumBeside($r->number('aim'), $units), sprintf('boils at %s kPa; %s L of air stay in%s', Format::significant($r->number('limit')), Format::significant($r->number('air_left'), 2), $r->has('leak_rate') ? sprintf(', leak %s Pa·L/s', Format::significant($r->number('leak_rate'), 2)) : ''))),
            'coolant-level' => new self('Rises by', [self::litres($r->number('growth'), 'L')], $r->has('expected_mark') ? sprintf('%.0f %% of the way from the lower mark to the upper', $r->number('expected_mark')) : ''),
            'warm-up' => new self('', [['number' => str_replace('-', ' ', $r->checks[0]->code), 'unit' => '']], ($r->has('opened_at') ? sprintf('opened at %s °C, holds %s °C, ', self::degrees($r->number('opened_at')), self::degrees($r->number('plateau'))) : '').sprintf('%s K a minute', Format::significant($r->number('rate'), 2))),
            'thermostat-test' => new self('Off its stamp by', [self::figure($r->number('off'), 'K')], $r->has('hysteresis') ? sprintf('shuts %s K below where it opened', Format::significant($r->number('hysteresis'), 2)) : ''),
            'oil-fill' => match (true) {
                $r->has('draw_off') => new self('Draw off', [self::litres($r->number('draw_off'), 'L')], 'before it runs again'),
                $r->has('top_up') => new self('Top up', [self::litres($r->number('top_up'), 'L')], 'by the dipstick'),
                default => new self('Pour first', [self::litres($r->number('first_pour'), 'L')], sprintf('run it, wait, dip; then up to %s L more', Format::significant($r->number('then'), 2))),
            },
            'clamp-size' => new self('Range', [['number' => sprintf('%.0f–%.0f', $r->number('smallest'), $r->number('largest')), 'unit' => 'mm']], sprintf('for %s mm across, %.0f mm band%s', Format::significant($r->number('fitted')), $r->number('band'), $r->has('torque') ? sprintf(', screw about %s N·m', Format::torque($r->number('torque'))) : '')),
            'seal-squeeze' => new self('Squeezed by', [self::figure($r->number('squeeze'), '%')], sprintf('fills the groove to %s %%, stretched by %s %%', Format::significant($r->number('fill')), Format::significant($r->number('stretch')))),
            default => new self($r->headline(), [], ''),
        };
    }

    /** On one line, for a pin or a note. */
    public function asLine(): string
    {
        $figures = implode(', ', array_map(static fn (array $f): string => trim($f['number'].' '.$f['unit']), $this->figures));

        return mb_substr(trim(implode(' ', array_filter([$this->lead, $figures])).('' === $this->beside ? '' : '; '.$this->beside)), 0, 300);
    }

    private static function stated(SumResult $r, UnitSystem $units): self
    {
        $share = $r->has('utilisation') ? sprintf('%.0f %% of yield', $r->number('utilisation')) : '';
        if ($r->hasCheck('conflict')) {
            return new self('The two figures disagree', [], '');
        }
        if (!$r->has('range_low')) {
            return self::torque('', $r->number('torque'), $units, $share);
        }
        $range = sprintf('%s to %s', Format::torque($r->number('range_low')), Format::torque($r->number('range_high')));

        return new self('', [['number' => $range, 'unit' => 'N·m']], '' === $share ? '' : $share.' at the top of the range');
    }

    private static function torque(string $lead, float $torque, UnitSystem $units, string $beside): self
    {
        return new self($lead, [['number' => Format::torque($torque), 'unit' => 'N·m']], self::joined(Format::beside($torque, 'N·m', $units), $beside));
    }

    private static function joined(string ...$parts): string
    {
        return implode(', ', array_filter($parts, static fn (string $part): bool => '' !== $part));
    }

    /** @return array{number: string, unit: string} */
    private static function figure(float $value, string $unit): array
    {
        return ['number' => Format::significant($value), 'unit' => $unit];
    }

    /** @return array{number: string, unit: string} */
    private static function litres(float $value, string $unit): array
    {
        return ['number' => Format::litres($value), 'unit' => $unit];
    }

    /** @return array{number: string, unit: string} */
    private static function celsius(float $value): array
    {
        return ['number' => self::degrees($value), 'unit' => '°C'];
    }

    private static function degrees(float $value): string
    {
        return Digits::fixed($value, 1);
    }

    private static function kilo(float $newtons): string
    {
        return Format::significant($newtons / 1000);
    }
}
