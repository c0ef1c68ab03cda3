<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting\Door;

use NimbleKnuckle\Core\Bolting\BearingFace;
use NimbleKnuckle\Core\Bolting\Bolt;
use NimbleKnuckle\Core\Bolting\Friction;
use NimbleKnuckle\Core\Bolting\Grade;
use NimbleKnuckle\Core\Bolting\Material;
use NimbleKnuckle\Core\Bolting\Preload;
use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\Bolting\ThreadDrawing;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\Show;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;

/**
 * What to put on a thread, what that does to the figure, and how long it cures. Temperatures in °C, cure in minutes.
 * Lockers hold to about 150 °C; friction after VDI 2230's classes; cure doubles for each 10 K below 22 °C (Arrhenius rule of thumb).
 */
final readonly class ThreadCompound implements Sum
{
    private const LOCKER_HEAT = 150.0;
    /** Functional cure at 22 °C on steel, minutes: working values for anaerobic lockers. */
    private const CURE = ['medium threadlocker' => 60.0, 'high-strength threadlocker' => 120.0];
    /** Passive surfaces cure this much slower. */
    private const PASSIVE = 3.0;

    public function name(): string
    {
        return 'thread-compound';
    }

    public function summary(): string
    {
        return 'Thread compound';
    }

    public function fields(): array
    {
        return [
            Bolt::threadField(),
            Field::choice('bolt', 'Bolt', ['steel' => 'steel, zinc', 'stainless' => 'stainless', 'aluminium' => 'aluminium'])->optional(),
            Field::choice('material', 'Screws into', Material::choices())->optional(),
            Field::quantity('heat', 'How hot it gets', Kind::Temperature, '120 °C')->optional(),
            Field::flag('turns', 'It sits on something that turns or shakes'),
            Field::flag('removed', 'It comes off again in service'),
            Field::flag('wet', 'The hole reaches coolant or oil'),
            Field::quantity('stated', 'The figure, for a dry thread', Kind::Torque, '25 N·m')->optional(),
            Field::quantity('ambient', 'Where it cures', Kind::Temperature, '15 °C', '22 °C is taken.')->optional(),
        ];
    }

    public function group(): string
    {
        return 'What is the figure';
    }

    public function example(): array
    {
        return [
            'thread' => 'M8',
            'material' => 'aluminium casting',
            'turns' => 'true',
            'removed' => 'true',
            'stated' => '25 N·m',
            'ambient' => '15 °C',
        ];
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            'Use', [['number' => (string) $r->entries('compound')[0], 'unit' => '']],
            sprintf(
                'a dry figure × %.2f%s', $r->number('factor'),
                $r->has('cure') ? ', cures in about '.self::inWords($r->number('cure')) : '',
            ),
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['thread', ThreadDrawing::of(Thread::parse($in->text('thread')), Thread::parse($in->text('thread'))->diameter)];
    }

    public function compute(Inputs $in): SumResult
    {
        $thread = Thread::parse($in->text('thread'));
        $bolt = $in->has('bolt') ? $in->oneOf('bolt', 'steel', 'stainless', 'aluminium') : 'steel';
        $into = $in->has('material') ? Material::parse($in->text('material')) : Material::Steel;
        $heat = $in->has('heat') ? $in->between('heat', Kind::Temperature, -40.0, 1100.0) : 100.0;
        [$compound, $why] = $this->chosen($bolt, $into, $heat, $in->flag('turns'), $in->flag('removed'), $in->flag('wet'), $thread);
        $friction = self::frictionOf($compound, $bolt);
        $dry = Friction::condition('stainless' === $bolt ? 'stainless dry' : 'dry zinc');
        $face = BearingFace::hexagon($thread);
        // Locker and sealant sit in the thread alone; oil and paste get under the head as well.
        $head = str_contains($compound, 'threadlocker') || 'thread sealant' === $compound ? $dry->typical : $friction->typical;
        $preload = new Preload($thread, Grade::C88, $face);
        $factor = $preload->lever($friction->typical, $head) / $preload->lever($dry->typical, $dry->typical);
        $values = [
            'compound' => Value::names([$compound]),
            'friction' => Value::of($friction->typical, 'ratio'),
            'factor' => Value::of($factor, 'ratio'),
        ];
        $working = [new Working(
            'Figure with it on', 'k = (0.16 P + 0.58 d2 μG + DKm/2 μK) / the same with μ dry',
            sprintf('μG = %s, μK = %s, dry %s', Show::n($friction->typical), Show::n($head), Show::n($dry->typical)),
            Show::n($factor), 'VDI 2230-1, friction classes',
        )];
        $checks = [Check::ok('compound', sprintf('%s: %s', ucfirst($compound), $why)), ...$this->cautions($compound, $bolt, $into)];
        if ($in->has('stated')) {
            $stated = $in->positive('stated', Kind::Torque);
            $values['torque'] = Value::of($stated * $factor, Unit::NewtonMetre->value);
            $checks[] = abs($factor - 1) < 0.02
                ? Check::ok('figure-stays', 'The figure stays as it is.')
                : Check::watch(
                    'figure-shifts',
                    sprintf(
                        'The same clamp needs %s N·m instead of %s, if the figure was meant for a dry thread. Where the maker '
                            .'names a compound, the figure is meant for that: change nothing.',
                        Show::n($stated * $factor, 3), Show::n($stated, 3),
                    ),
                );
        }
        if (isset(self::CURE[$compound])) {
            $ambient = $in->has('ambient') ? $in->between('ambient', Kind::Temperature, -20.0, 60.0) : 22.0;
            $cure = self::cureMinutes(
                $compound, $ambient,
                'steel' !== $bolt || Material::Steel !== $into && Material::CastIron !== $into && Material::Brass !== $into,
            );
            $values['cure'] = Value::of($cure, Unit::Minute->value);
            $checks[] = $ambient < 5.0 ? Check::watch(
                'too-cold', 'Under 5 °C it hardly cures: warm the part, or use the activator its maker names.',
            ) : Check::ok('cure', sprintf('About %s before load, at %s °C.', self::inWords($cure), Show::n($ambient)));
            $working[] = new Working(
                'Cure', 't = t22 × 2^((22 − T)/10), threefold on passive metal',
                sprintf('t22 = %s min, T = %s °C', Show::n(self::CURE[$compound]), Show::n($ambient)),
                sprintf('%s min', Show::n($cure)), 'rule of thumb for reaction speed; the tube’s own sheet goes before it',
            );
        }

        return new SumResult($this->name(), $in->raw, $values, $checks, $working);
    }

    /** Minutes until a compound may be loaded; 0 for those that do not cure. */
    public static function cureMinutes(string $compound, float $ambient, bool $passive): float
    {
        return (self::CURE[$compound] ?? 0.0) * 2 ** ((22.0 - max(-10.0, $ambient)) / 10) * ($passive ? self::PASSIVE : 1.0);
    }

    private static function frictionOf(string $compound, string $bolt): Friction
    {
        return Friction::condition(match ($compound) {
            'oil', 'thread sealant' => 'oiled',
            'anti-seize' => 'anti-seize',
            'medium threadlocker', 'high-strength threadlocker' => 'threadlocker wet',
            default => 'stainless' === $bolt ? 'stainless dry' : 'dry zinc',
        });
    }

    /** @return array{string, string} the compound and why */
    private function chosen(string $bolt, Material $into, float $heat, bool $turns, bool $removed, bool $wet, Thread $thread): array
    {
        return match (true) {
            $heat > self::LOCKER_HEAT => [
                'anti-seize', sprintf('at %s °C a locker lets go and a dry thread welds itself in.', Show::n($heat)),
            ],
            $wet => ['thread sealant', 'the hole reaches fluid, the thread itself must seal.'],
            $turns && !$removed && $thread->diameter >= 8.0 => [
                'high-strength threadlocker', 'it turns or shakes and need not come off; heat loosens it when it must.',
            ],
            $turns => ['medium threadlocker', 'it turns or shakes; hand tools still undo it.'],
            'stainless' === $bolt || 'aluminium' === $bolt => ['anti-seize', sprintf('%s on metal galls when it is dry.', $bolt)],
            in_array(
                $into, [Material::AluminiumCasting, Material::AluminiumWrought, Material::Magnesium], true,
            ) && $removed => ['oil', 'a drop keeps the soft thread from tearing each time it comes off.'],
            default => ['dry', 'clean and dry is what most figures are meant for.'],
        };
    }

    /** @return list<Check> */
    private function cautions(string $compound, string $bolt, Material $into): array
    {
        return array_values(array_filter([
            'anti-seize' === $compound && Material::Magnesium === $into ? Check::watch(
                'no-metal-paste', 'No copper or nickel paste on magnesium: it eats the thread. A ceramic one.',
            ) : null,
            str_contains($compound, 'threadlocker') ? Check::ok(
                'degrease', 'Both threads clean and free of oil, or it does not cure.',
            ) : null,
            'aluminium' === $bolt && Material::Steel === $into ? Check::watch(
                'soft-bolt', 'An aluminium bolt in steel: the bolt’s own thread gives first.',
            ) : null,
        ]));
    }

    private static function inWords(float $minutes): string
    {
        return $minutes < 90 ? sprintf('%d min', (int) round($minutes)) : sprintf('%s h', Show::n($minutes / 60, 2));
    }
}
