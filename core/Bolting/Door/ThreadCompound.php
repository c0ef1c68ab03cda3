<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting\Door;

use NimbleKnuckle\Core\Bolting\BoltFields;
use NimbleKnuckle\Core\Bolting\BoltMetal;
use NimbleKnuckle\Core\Bolting\Compound;
use NimbleKnuckle\Core\Bolting\CompoundReason;
use NimbleKnuckle\Core\Bolting\Material;
use NimbleKnuckle\Core\Bolting\Preload;
use NimbleKnuckle\Core\Bolting\Situation;
use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\Bolting\ThreadDrawing;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Quantity\Torque;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\About;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;

/** What to put on a thread, what that does to the figure, and how long it cures. Temperatures in °C, cure in minutes. */
final readonly class ThreadCompound implements Sum
{
    public function about(): About
    {
        return new About('thread-compound', 'Thread compound', 'What is the figure', static fn (): array => [
            BoltFields::thread(),
            Field::choice('bolt', 'Bolt', ['steel' => 'steel, zinc', 'stainless' => 'stainless', 'aluminium' => 'aluminium'])->optional(),
            Field::choice('material', 'Screws into', Material::choices())->optional(),
            Field::quantity('heat', 'How hot it gets', Kind::Temperature, '120 °C')->within(-40.0, 1100.0)->optional(),
            Field::flag('turns', 'It sits on something that turns or shakes'),
            Field::flag('removed', 'It comes off again in service'),
            Field::flag('wet', 'The hole reaches coolant or oil'),
            Field::quantity('stated', 'The figure, for a dry thread', Kind::Torque, '25 N·m')->optional(),
            Field::quantity('ambient', 'Where it cures', Kind::Temperature, '15 °C', '22 °C is taken.')->within(-20.0, 60.0)->optional(),
        ], ['material', 'turns', 'removed', 'stated', 'ambient']);
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
        $situation = $this->read($in);
        [$compound, $because] = $situation->compound();
        $dry = $situation->metal->dry();
        $friction = $compound->friction($dry);
        $factor = $compound->factor($situation->thread, $dry);
        [$torque, $shift] = $in->has('stated') ? $this->shifted($in->torque('stated'), $factor) : [[], []];
        [$cure, $cureChecks, $cureLines] = $compound->isLocker() ? $this->cured($in, $compound, $situation) : [[], [], []];

        return new SumResult($this->about()->name, $in->raw, [
            'compound' => Value::names([$compound->value]),
            'friction' => Value::of($friction->typical, 'ratio'),
            'factor' => Value::of($factor, 'ratio'),
        ] + $torque + $cure, [
            Check::ok('compound', sprintf('%s: %s', ucfirst($compound->value), $this->why($because, $situation))),
            ...$this->cautions($compound, $situation), ...$shift, ...$cureChecks,
        ], [new Working(
            'Figure with it on', sprintf('k = (%s) / the same with μ dry', Preload::LEVER),
            sprintf(
                'μG = %s, μK = %s, dry %s', Show::n($friction->typical),
                Show::n($compound->staysInThread() ? $dry->typical : $friction->typical), Show::n($dry->typical),
            ),
            Show::n($factor), 'VDI 2230-1, friction classes',
        ), ...$cureLines]);
    }

    /** @throws InvalidInput */
    private function read(Inputs $in): Situation
    {
        $thread = Thread::parse($in->text('thread'));
        $metal = $in->has('bolt') ? BoltMetal::from($in->oneOf('bolt', ...array_column(BoltMetal::cases(), 'value'))) : BoltMetal::Steel;
        $into = $in->has('material') ? Material::parse($in->text('material')) : Material::Steel;
        $heat = $in->has('heat') ? $in->temperature('heat') : Temperature::celsius(100.0);

        return new Situation($thread, $metal, $into, $heat, $in->flag('turns'), $in->flag('removed'), $in->flag('wet'));
    }

    /** @return array{array<string, Value>, list<Check>} what becomes of a figure for a dry thread */
    private function shifted(Torque $stated, float $factor): array
    {
        $torque = $stated->times($factor)->newtonMetres;
        $check = abs($factor - 1) < 0.02 ? Check::ok('figure-stays', 'The figure stays as it is.') : Check::watch(
            'figure-shifts',
            sprintf(
                'The same clamp needs %s N·m instead of %s, if the figure was meant for a dry thread. Where the maker '
                    .'names a compound, the figure is meant for that: change nothing.',
                Show::n($torque, 3), Show::n($stated->newtonMetres, 3),
            ),
        );

        return [['torque' => Value::of($torque, Unit::NewtonMetre->value)], [$check]];
    }

    /** @return array{array<string, Value>, list<Check>, list<Working>} */
    private function cured(Inputs $in, Compound $compound, Situation $situation): array
    {
        $ambient = $in->has('ambient') ? $in->temperature('ambient') : Temperature::celsius(Compound::WARM);
        $formula = $compound->cureFormula($ambient, $situation->isPassive());
        $cure = $formula->value;
        $check = $ambient->celsius < 5.0 ? Check::watch(
            'too-cold', 'Under 5 °C it hardly cures: warm the part, or use the activator its maker names.',
        ) : Check::ok('cure', sprintf('About %s before load, at %s °C.', self::inWords($cure), Show::n($ambient->celsius)));

        return [['cure' => Value::of($cure, Unit::Minute->value)], [$check], [Working::by(
            $formula, 'Cure', 'min', 'rule of thumb for reaction speed, threefold on passive metal; the tube’s own sheet goes before it',
            with: $formula->listed('t22', 'T'),
        )]];
    }

    private function why(CompoundReason $because, Situation $situation): string
    {
        return match ($because) {
            CompoundReason::Heat => sprintf(
                'at %s °C a locker lets go and a dry thread welds itself in.', Show::n($situation->heat->celsius),
            ),
            CompoundReason::Fluid => 'the hole reaches fluid, the thread itself must seal.',
            CompoundReason::StaysOn => 'it turns or shakes and need not come off; heat loosens it when it must.',
            CompoundReason::Shakes => 'it turns or shakes; hand tools still undo it.',
            CompoundReason::Galls => sprintf('%s on metal galls when it is dry.', $situation->metal->value),
            CompoundReason::SoftThread => 'a drop keeps the soft thread from tearing each time it comes off.',
            CompoundReason::Usual => 'clean and dry is what most figures are meant for.',
        };
    }

    /** @return list<Check> */
    private function cautions(Compound $compound, Situation $situation): array
    {
        return array_values(array_filter([
            Compound::AntiSeize === $compound && Material::Magnesium === $situation->into ? Check::watch(
                'no-metal-paste', 'No copper or nickel paste on magnesium: it eats the thread. A ceramic one.',
            ) : null,
            $compound->isLocker() ? Check::ok('degrease', 'Both threads clean and free of oil, or it does not cure.') : null,
            BoltMetal::Aluminium === $situation->metal && Material::Steel === $situation->into ? Check::watch(
                'soft-bolt', 'An aluminium bolt in steel: the bolt’s own thread gives first.',
            ) : null,
        ]));
    }

    private static function inWords(float $minutes): string
    {
        return $minutes < 90 ? sprintf('%d min', (int) round($minutes)) : sprintf('%s h', Show::n($minutes / 60, 2));
    }
}
