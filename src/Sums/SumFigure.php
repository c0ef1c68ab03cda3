<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Sums;

use NimbleKnuckle\Core\Bolting\Bolt;
use NimbleKnuckle\Core\Bolting\PreloadDrawing;
use NimbleKnuckle\Core\Bolting\Springs;
use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\Bolting\ThreadDrawing;
use NimbleKnuckle\Core\Bolting\TorqueBars;
use NimbleKnuckle\Core\Fluids\Air;
use NimbleKnuckle\Core\Fluids\CanDrawing;
use NimbleKnuckle\Core\Fluids\DialDrawing;
use NimbleKnuckle\Core\Fluids\DipstickDrawing;
use NimbleKnuckle\Core\Fluids\Door\CoolantMix;
use NimbleKnuckle\Core\Fluids\Glycol;
use NimbleKnuckle\Core\Fluids\HoseDrawing;
use NimbleKnuckle\Core\Fluids\PanDrawing;
use NimbleKnuckle\Core\Fluids\ProtectDrawing;
use NimbleKnuckle\Core\Fluids\TankDrawing;
use NimbleKnuckle\Core\Fluids\WarmUp\CurveDrawing;
use NimbleKnuckle\Core\Plan\Door\WrenchPick;
use NimbleKnuckle\Core\Plan\Kit\Wrench;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Stated;
use NimbleKnuckle\Core\Sealing\Door\SealSqueezeDoor;
use NimbleKnuckle\Core\Sealing\GrooveDrawing;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Tightening\AngleDrawing;
use NimbleKnuckle\Core\Tightening\Door\TightenOrder;
use NimbleKnuckle\Core\Tightening\OrderDrawing;
use NimbleKnuckle\Core\Tightening\RangeDrawing;
use NimbleKnuckle\Core\Tightening\SpringDrawing;
use NimbleKnuckle\Core\Tightening\WrenchDrawing;
use NimbleKnuckle\Core\Trace\TraceDrawing;
use NimbleKnuckle\Core\Trace\TraceSpec;

/** The drawing that belongs to a sum, made from its own numbers; the template is named after what is drawn. */
final readonly class SumFigure
{
    /**
     * @param array<string, mixed> $raw
     *
     * @return array{0: string, 1: object}|null which macro draws it, and what
     */
    public function of(Sum $sum, array $raw, SumResult $result): ?array
    {
        $in = Inputs::of($raw, $sum->fields());

        return match ($sum->name()) {
            'torque-check' => ['torque', self::torqueBars($in->stated('stated', Kind::Torque), $result)],
            'seal-squeeze' => ['groove', GrooveDrawing::of(SealSqueezeDoor::read($in), ...array_map(static fn (string $f): Length => Length::millimetres($in->number($f, Kind::Length)), ['depth', 'width']))],
            'torque-estimate' => ['plot', PreloadDrawing::of($result, Bolt::read($in))],
            'angle-tighten' => ['springs', $this->springs($in, $result)],
            'part-turn' => ['head', AngleDrawing::of($result->number('angle'), 0.0)],
            'wrench-set' => ['wrench', WrenchDrawing::of($in->number('lever', Kind::Length), $in->number('adapter', Kind::Length), $in->has('adapter_angle') ? $in->number('adapter_angle', Kind::Angle) : 0.0)],
            'wrench-pick' => ['ranges', $this->ranges($in, $sum)],
            'tighten-order' => ['order', OrderDrawing::of(TightenOrder::layout($in), array_map(intval(...), $result->entries('order')))],
            'even-take-up' => ['thread', ThreadDrawing::of(Thread::parse($in->text('thread')), $in->number('gap', Kind::Length))],
            'thread-engagement' => ['thread', ThreadDrawing::of(Thread::parse($in->text('thread')), $in->number('engagement', Kind::Length), $result->number('needed'))],
            'thread-gauge' => ['thread', $this->gauged($result)],
            'thread-compound' => ['thread', ThreadDrawing::of(Thread::parse($in->text('thread')), Thread::parse($in->text('thread'))->diameter)],
            'trace-judge' => ['plot', TraceDrawing::of(array_map(static fn (array $row): array => [$row[0], $row[1] ?? 0.0], $in->rows('samples', 2, 3)), TraceSpec::read($in->raw['spec'] ?? ''), $result)],
            'coolant-mix' => ['can', CanDrawing::of($result, $in->number('capacity', Kind::Volume))],
            'coolant-protect' => ['plot', ProtectDrawing::of($result, Glycol::named($in->text('base')), CoolantMix::strength($in, 'percent', Glycol::named($in->text('base')))[0], $in->has('cap') ? $in->number('cap', Kind::Pressure) : 0.0, Air::from($in))],
            'vacuum-fill' => ['dial', DialDrawing::of($in->number($in->has('hold_end') ? 'hold_end' : 'pulled', Kind::Pressure), $result->number('aim'), $result->number('limit'), $in->has('hold_end') ? $in->number('pulled', Kind::Pressure) : null)],
            'coolant-level' => ['tank', TankDrawing::of($result, $in->number('cold', Kind::Temperature), $in->number('hot', Kind::Temperature))],
            'warm-up' => ['plot', CurveDrawing::of($in->rows('samples', 2, 2), $in->number('opens', Kind::Temperature), $result)],
            'thermostat-test' => ['plot', PanDrawing::of($in->number('opens', Kind::Temperature), $in->number('opened', Kind::Temperature), $this->ifThere($in, 'full_open', Kind::Temperature), $this->ifThere($in, 'closed', Kind::Temperature))],
            'oil-fill' => ['oil', DipstickDrawing::of($result, $in->number('capacity', Kind::Volume), $this->ifThere($in, 'dip_mm', Kind::Length), $this->ifThere($in, 'target_mm', Kind::Length))],
            'clamp-size' => ['hose', HoseDrawing::of($result, $this->ifThere($in, 'inside', Kind::Length), $this->ifThere($in, 'spigot', Kind::Length))],
            default => null,
        };
    }

    private function ifThere(Inputs $in, string $name, Kind $kind): ?float
    {
        return $in->has($name) ? $in->number($name, $kind) : null;
    }

    private function springs(Inputs $in, SumResult $result): SpringDrawing
    {
        $bolt = Bolt::read($in);

        return SpringDrawing::of($result, Springs::read($in, $bolt), $in->number('angle', Kind::Angle), $in->has('swing') ? $in->number('swing', Kind::Angle) : 0.0);
    }

    private function ranges(Inputs $in, Sum $sum): RangeDrawing
    {
        $wrenches = $sum instanceof WrenchPick ? $sum->wrenches($in) : throw new \LogicException('Only wrench-pick has wrenches.');

        return RangeDrawing::of(array_map(static fn (Wrench $w): array => ['name' => $w->name, 'min' => $w->min, 'max' => $w->max, 'usable' => $w->lowestUsable(), 'late' => $w->isPastCalibration()], $wrenches), $in->numbers('targets', Kind::Torque));
    }

    private function gauged(SumResult $result): ThreadDrawing
    {
        $thread = Thread::parse((string) $result->entries('thread')[0]);

        return ThreadDrawing::of($thread, 1.5 * $thread->diameter);
    }

    private static function torqueBars(Stated $stated, SumResult $result): TorqueBars
    {
        $yield = $result->has('utilisation') ? $stated->high->value() / max(1e-9, $result->number('utilisation') / 100) : 0.0;

        return TorqueBars::of($stated->isRange() ? [$stated->low, $stated->high] : $stated->figures(), $yield);
    }
}
