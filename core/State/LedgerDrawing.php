<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\State;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Procedure\Support;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/**
 * The front of the vehicle from the side, with who holds what before a step and what that step changes. A diagram, not to
 * scale: places in a frame of 640 by 400, the floor at 360.
 */
final readonly class LedgerDrawing
{
    public const FLOOR = 360.0;
    /** How much higher all of the vehicle stands on its stands. */
    private const UP = 46.0;
    /** How much higher a body is drawn that was moved off its mounts. */
    private const LIFT = 20.0;
    /** Left edge, top, width and height of a body. */
    private const PLACES = ['engine' => [106.0, 190.0, 112.0, 80.0], 'gearbox' => [222.0, 212.0, 100.0, 54.0]];
    private const OTHER = [336.0, 222.0, 90.0, 40.0];

    /**
     * @param array<string, array{x: float, y: float, w: float, h: float}> $bodies
     * @param list<array{x: float, y: float, state: string, name: string, changes: bool}> $mounts
     * @param list<array{kind: string, body: string, x: float, top: float, hooks: int, change: string}> $supports change: new, gone or none
     * @param list<array{body: string, now: string, then: string}> $said then is empty where nothing changes
     * @param string $moves “up” or “down” where the vehicle is moved by the step; “lift …” for a body
     */
    private function __construct(
        public array $bodies, public array $mounts, public array $supports, public array $said, public float $up, public bool $raised,
        public string $moves,
    ) {
    }

    /** @param ?Step $step what comes next; null shows how it stands */
    public static function of(VehicleState $rig, VehicleSheet $vehicle, ?Step $step): self
    {
        $now = Ledger::of($rig, $vehicle);
        $then = null === $step ? $now : Ledger::of($rig->after($step), $vehicle);
        $up = $now->raised ? self::UP : 0.0;
        $bodies = $mounts = $supports = $said = [];
        foreach ($then->bodies + $now->bodies as $name => $ignored) {
            $before = $now->bodies[$name] ?? new Bearing($name, [], []);
            $after = $then->bodies[$name] ?? new Bearing($name, [], []);
            $bodies[$name] = self::body($before, $up);
            array_push($mounts, ...self::mounts($before, $after, $up));
            array_push($supports, ...self::supports($before, $after, $bodies[$name]));
            $said[] = ['body' => $name, 'now' => $before->said(), 'then' => $before == $after ? '' : $after->said()];
        }

        return new self($bodies, $mounts, $supports, $said, $up, $now->raised, self::movedBy($step));
    }

    /** The drawing for a step that has to do with what carries what; null for any other. */
    public static function for(VehicleState $rig, VehicleSheet $vehicle, Step $step): ?self
    {
        return Ledger::of($rig, $vehicle)->isChangedBy($step, Ledger::of($rig->after($step), $vehicle))
            ? self::of($rig, $vehicle, $step)
            : null;
    }

    /**
     * Every step of a sheet that changes who carries what; empty where nothing is ever taken off its mounts.
     *
     * @return list<array{Step, self}>
     */
    public static function strip(Sheet $sheet, VehicleSheet $vehicle): array
    {
        $rig = VehicleState::standing($vehicle);
        $strip = [];
        foreach ([] === $sheet->doing(StepKind::Hold) ? [] : $sheet->steps as $step) {
            $drawing = self::for($rig, $vehicle, $step);
            null === $drawing || $strip[] = [$step, $drawing];
            $rig = $rig->after($step);
        }

        return $strip;
    }

    private static function movedBy(?Step $step): string
    {
        return match ($step?->deed) {
            StepKind::Raise => 'up',
            StepKind::Lower => 'down',
            StepKind::Move => sprintf('%s %s %s mm', $step->target->load->body, $step->target->load->way, $step->target->load->mm),
            default => '',
        };
    }

    /** @return array{x: float, y: float, w: float, h: float} */
    private static function body(Bearing $bearing, float $up): array
    {
        [$x, $y, $w, $h] = self::PLACES[$bearing->body] ?? self::OTHER;
        $lift = $bearing->raised > 0.0 ? self::LIFT : ($bearing->raised < 0.0 ? -self::LIFT / 2 : 0.0);

        return ['x' => $x, 'y' => $y - $up - $lift, 'w' => $w, 'h' => $h];
    }

    /** @return list<array{x: float, y: float, state: string, name: string, changes: bool}> */
    private static function mounts(Bearing $before, Bearing $after, float $up): array
    {
        [$x, $y, $w, $h] = self::PLACES[$before->body] ?? self::OTHER;
        $states = [];
        foreach ($after->mounts as $mount) {
            $states[$mount->item] = $mount->state;
        }
        $count = count($before->mounts);
        $drawn = [];
        foreach ($before->mounts as $i => $mount) {
            $drawn[] = [
                'x' => $x + $w * ($i + 0.5) / $count, 'y' => $y + $h - $up, 'state' => $mount->state->value, 'name' => $mount->name,
                'changes' => ($states[$mount->item] ?? $mount->state) !== $mount->state,
            ];
        }

        return $drawn;
    }

    /**
     * @param array{x: float, y: float, w: float, h: float} $body
     *
     * @return list<array{kind: string, body: string, x: float, top: float, hooks: int, change: string}>
     */
    private static function supports(Bearing $before, Bearing $after, array $body): array
    {
        $is = static fn (Bearing $one, Support $support): bool => in_array($support, $one->supports, true);
        $drawn = [];
        foreach (Support::cases() as $support) {
            if (!$is($before, $support) && !$is($after, $support)) {
                continue;
            }
            $drawn[] = [
                'kind' => $support->value, 'body' => $before->body, 'x' => $body['x'] + $body['w'] / 2,
                'top' => $support->reachesFromAbove() ? $body['y'] : $body['y'] + $body['h'],
                'hooks' => 'engine' === $before->body && !$is($after, Support::Jack) ? 2 : 1,
                'change' => match (true) {
                    !$is($before, $support) => 'new',
                    !$is($after, $support) => 'gone',
                    default => 'none',
                },
            ];
        }

        return $drawn;
    }
}
