<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Kit;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Torque;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Tightening\WrenchSetting;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/**
 * Which wrench for every pass of a whole sheet, in its order, so that the hand changes wrench as seldom as can be. First
 * no wrench out of date where one in date reaches, then the fewest changes, then the least error (percent).
 */
final readonly class WrenchRound
{
    /**
     * @param list<array{step: string, title: string, torque: float, pass: float, setting: float, wrench: ?Wrench,
     * changed: bool}> $pulls
     */
    private function __construct(public array $pulls, public int $changes, public int $unreached)
    {
    }

    public static function of(Sheet $sheet, VehicleSheet $vehicle, Kit $kit): self
    {
        $pulls = [];
        foreach ($sheet->steps as $step) {
            $joint = $vehicle->joints[$step->target->joint] ?? null;
            if (StepKind::Tighten === $step->deed && null !== $joint && $joint->hasFigure()) {
                foreach ($joint->going->passes as $pass) {
                    $pulls[] = [
                        'step' => $step->id, 'title' => $joint->name, 'torque' => $joint->torqueAt($pass), 'pass' => $pass,
                        'adapter' => $joint->tools->adapter, 'angle' => $joint->tools->adapterAngle,
                    ];
                }
            }
        }

        return self::chosen($pulls, $kit->wrenches);
    }

    /**
     * Dynamic programming over the pulls: the best way to end each one with each wrench that reaches it.
     *
     * @param list<array{step: string, title: string, torque: float, pass: float, adapter: Length, angle: Angle}> $pulls
     * @param list<Wrench> $wrenches
     */
    private static function chosen(array $pulls, array $wrenches): self
    {
        $best = [-1 => [[0, 0, 0.0], []]];
        foreach ($pulls as $pull) {
            $next = [];
            foreach (self::reaching($pull, $wrenches) as $w => $wrench) {
                foreach ($best as $before => [$cost, $way]) {
                    $now = self::dearer($cost, $wrench, $w !== $before && -1 !== $before && -1 !== $w);
                    $held = -1 === $w ? $before : $w;
                    if (!isset($next[$held]) || $now < $next[$held][0]) {
                        $next[$held] = [$now, [...$way, $w]];
                    }
                }
            }
            $best = $next;
        }
        usort($best, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return self::told($pulls, $best[0][1] ?? [], $wrenches);
    }

    /**
     * @param array{int, int, float} $cost pulls with one out of date, changes, percent of error
     *
     * @return array{int, int, float}
     */
    private static function dearer(array $cost, ?Wrench $wrench, bool $isChanged): array
    {
        $isLate = null !== $wrench && $wrench->isPastCalibration();

        return [$cost[0] + ($isLate ? 1 : 0), $cost[1] + ($isChanged ? 1 : 0), $cost[2] + ($wrench->error ?? 0.0)];
    }

    /**
     * @param array{step: string, title: string, torque: float, pass: float, adapter: Length, angle: Angle} $pull
     * @param list<Wrench> $wrenches
     *
     * @return array<int, ?Wrench> by place in the kit; [-1 => null] where none reaches
     */
    private static function reaching(array $pull, array $wrenches): array
    {
        $reaching = array_filter($wrenches, static fn (Wrench $wrench): bool => $wrench->reaches(self::setting($pull, $wrench)));

        return [] === $reaching ? [-1 => null] : $reaching;
    }

    /** @param array{step: string, title: string, torque: float, pass: float, adapter: Length, angle: Angle} $pull */
    private static function setting(array $pull, Wrench $wrench): float
    {
        if ($wrench->lever <= 0.0) {
            return $pull['torque'];
        }
        $setting = WrenchSetting::of(
            Torque::newtonMetres($pull['torque']), Length::millimetres($wrench->lever), $pull['adapter'],
            $pull['angle'],
        );

        return $setting->isWorkable() ? $setting->setting()->newtonMetres : \INF;
    }

    /**
     * @param list<array{step: string, title: string, torque: float, pass: float, adapter: Length, angle: Angle}> $pulls
     * @param list<int> $way
     * @param list<Wrench> $wrenches
     */
    private static function told(array $pulls, array $way, array $wrenches): self
    {
        $told = [];
        $held = null;
        $changes = 0;
        $unreached = 0;
        foreach ($pulls as $i => $pull) {
            $wrench = $wrenches[$way[$i] ?? -1] ?? null;
            $changed = null !== $wrench && $wrench !== $held;
            $changes += $changed && null !== $held ? 1 : 0;
            $unreached += null === $wrench ? 1 : 0;
            $held = $wrench ?? $held;
            $told[] = [
                'step' => $pull['step'], 'title' => $pull['title'], 'torque' => $pull['torque'], 'pass' => $pull['pass'],
                'setting' => null === $wrench ? 0.0 : self::setting($pull, $wrench), 'wrench' => $wrench, 'changed' => $changed,
            ];
        }

        return new self($told, $changes, $unreached);
    }
}
