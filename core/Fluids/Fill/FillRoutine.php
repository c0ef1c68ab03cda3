<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\Fill;

use NimbleKnuckle\Core\Fluids\VacuumHold;

/** The stages a filling or a pressure test goes through, each way of its own, and when it must be stopped at once. */
final readonly class FillRoutine
{
    /**
     * @param non-empty-list<FillStage> $stages
     * @param list<string> $stop
     */
    private function __construct(public string $id, public array $stages, public array $stop)
    {
    }

    /** @return list<string> */
    public static function names(): array
    {
        return ['vacuum', 'vacuum-pull', 'vacuum-draw', 'bleed-pour', 'funnel-pour', 'funnel-run', 'pressure-test'];
    }

    /** Null for a name nobody knows. */
    public static function named(string $name): ?self
    {
        return match ($name) {
            'vacuum' => self::joined($name, self::vacuumPull(), self::vacuumDraw()),
            'vacuum-pull' => self::vacuumPull(),
            'vacuum-draw' => self::vacuumDraw(),
            'bleed-pour' => self::bleedPour(),
            'funnel-pour' => self::funnelPour(),
            'funnel-run' => self::funnelRun(),
            'pressure-test' => self::pressureTest(),
            default => null,
        };
    }

    private static function vacuumPull(): self
    {
        return new self('vacuum-pull', [
            new FillStage(
                'connect', 'Cone in, everything else closed',
                'Drain shut, hoses seated, heater on full hot. The cone sits square in the filler, its valve shut.',
                'Cone is in, pull', look: new Look(shows: ['heater']),
            ),
            new FillStage(
                'pull', 'Pull to target', 'Air on. Watch the hoses go flat and the needle come up to the green.',
                'Needle steady, valve closed', ask: 'vacuum_pulled', look: new Look(shows: ['vacuum', 'heater']),
            ),
            new FillStage(
                'hold', 'Valve closed, leave it',
                'Nothing is touched. A needle that creeps back is a leak found before any coolant is in.', 'Read it',
                seconds: VacuumHold::SECONDS, ask: 'vacuum_lost', again: new Again('pull', 'Sealed it, pull again'),
                look: new Look(shows: ['vacuum', 'shut', 'heater']),
            ),
        ], ['A hose folds in on itself: let the air back in slowly.', 'The needle falls while you watch: a joint is open.']);
    }

    private static function vacuumDraw(): self
    {
        return new self('vacuum-draw', [
            new FillStage(
                'draw', 'Hose end at the bottom of the can, valve open',
                'It draws by itself. The hose end never comes out of the coolant: that would be air again.', 'Needle at zero',
                look: new Look(0.6, ['vacuum', 'heater']),
            ),
            new FillStage(
                'settle', 'Let it settle, look at what is left',
                'Over a cupful left in the can is as much air in the engine: pull once more, draw once more.', 'It is full',
                seconds: 30, ask: 'filled', again: new Again('draw', 'Pull again and draw the rest'), look: new Look(1.0, ['heater']),
            ),
        ], ['The hose end comes out of the coolant: valve shut at once.']);
    }

    private static function bleedPour(): self
    {
        return new self('bleed-pour', [
            new FillStage(
                'ready', 'Ignition on, heater full hot, blower low, engine off',
                'The heater valve must stand open, the fan stays off.', 'Ready, open the screw', look: new Look(shows: ['heater']),
            ),
            new FillStage(
                'open', 'Bleed screw open two turns', 'Rag under it. Count the turns.', 'Screw open, pour',
                look: new Look(0.2, ['heater', 'screw']),
            ),
            new FillStage(
                'pour', 'Pour thinly until it runs without bubbles',
                'A thin stream lets the air past. First bubbles, then spitting, then an even string.',
                'No bubbles, close the screw', look: new Look(0.9, ['heater', 'screw', 'bubbles']),
            ),
            new FillStage(
                'stand', 'Screw closed, let it stand', 'Bubbles on their way come up to the filler.', 'Look at the level',
                seconds: 60, look: new Look(0.95, ['heater', 'shut']),
            ),
            new FillStage(
                'level', 'Is the level steady?', 'If it fell: open, pour and close once more. Steady twice: it is full.',
                'Level is steady', ask: 'filled', again: new Again('open', 'It fell, once more'), look: new Look(1.0, ['heater', 'shut']),
            ),
        ], ['Never with the engine running while the screw is open.']);
    }

    private static function funnelPour(): self
    {
        return new self('funnel-pour', [
            new FillStage(
                'funnel', 'Sealed funnel on, heater full hot', 'The funnel is the highest point now. Drain shut, hoses seated.',
                'Funnel is on, pour', look: new Look(shows: ['heater', 'funnel']),
            ),
            new FillStage(
                'pour', 'Pour to a third of the funnel', 'Slowly; it takes what it takes.', 'A third full', look: new Look(
                    0.8, ['heater', 'funnel', 'bubbles'],
                ),
            ),
            new FillStage(
                'squeeze', 'Squeeze both radiator hoses',
                'Slowly and fully, upper and lower in turn, until nothing more comes up.', 'No more bubbles', seconds: 120,
                look: new Look(0.9, ['heater', 'funnel', 'bubbles']),
            ),
            new FillStage(
                'level', 'Is the level steady?', 'Fill the funnel to a third again.', 'Level is steady', ask: 'filled',
                again: new Again('squeeze', 'It fell, squeeze again'), look: new Look(0.95, ['heater', 'funnel']),
            ),
        ], []);
    }

    private static function funnelRun(): self
    {
        return new self('funnel-run', [
            new FillStage(
                'idle', 'Engine idles, funnel a third full', 'Heater hot, blower low. Both hands clear of fan and belts.',
                'Engine runs', look: new Look(0.95, ['heater', 'funnel', 'runs']),
            ),
            new FillStage(
                'squeeze', 'Squeeze the hoses now and then', 'Top the funnel up as it falls. Bubbles get fewer.',
                'Fewer bubbles', seconds: 300, look: new Look(0.95, ['heater', 'funnel', 'runs', 'bubbles']),
            ),
            new FillStage(
                'opens', 'Wait for the thermostat',
                'The lower hose goes from cool to hot within seconds, the level in the funnel drops.', 'Lower hose is hot',
                look: new Look(0.97, ['heater', 'funnel', 'runs', 'thermostat', 'bubbles']),
            ),
            new FillStage(
                'fan-one', 'Wait for the fan', 'It comes by itself and goes off again. Nothing near it.', 'On and off once',
                look: new Look(1.0, ['heater', 'funnel', 'runs', 'thermostat', 'fan']),
            ),
            new FillStage(
                'fan-two', 'Wait for the fan again', 'No more bubbles with both hoses hot.', 'On and off twice',
                again: new Again('squeeze', 'Still bubbles, go on squeezing'), look: new Look(
                    1.0, ['heater', 'funnel', 'runs', 'thermostat', 'fan'],
                ),
            ),
            new FillStage(
                'shut', 'Engine off, stopper in, funnel off, cap on',
                'The stopper keeps the rest in the funnel. Gloves: it is hot.', 'Cap is on', look: new Look(
                    1.0, ['heater', 'thermostat', 'shut'],
                ),
            ),
        ], [
            'The gauge passes its usual mark.', 'Steam, or bubbles that get stronger instead of fewer.',
            'One radiator hose hot and the other cold well past the opening.', 'A warning lamp.',
        ]);
    }

    private static function pressureTest(): self
    {
        return new self('pressure-test', [
            new FillStage(
                'plug', 'Plug in, bungs shut', 'On the turbo side, its clamp tight. Regulator at nothing before the line goes on.',
                'Plugged, nobody before it',
            ),
            new FillStage(
                'raise', 'Air up slowly', 'Never past what boost ever is: the weakest part sets it. Stop and listen at half of it.',
                'There, supply shut',
            ),
            new FillStage(
                'settle', 'Shut, let it settle', 'The air cools off: the needle falls a little and then stands.', 'Read it', seconds: 15,
                ask: 'test_from',
            ),
            new FillStage(
                'stand', 'Leave it alone', 'Nothing is touched. What it loses now goes out of a hole.', 'Read it again', seconds: 30,
                ask: 'test_to', again: new Again('raise', 'Mended, up once more'),
            ),
            new FillStage(
                'soap', 'Soap and listen', 'Air on again, each place in turn. Bubbles, a hiss, a cold draught on a wet finger.',
                'Went over all of it', ask: 'test_finds', again: new Again('raise', 'Mended, up once more'),
            ),
            new FillStage(
                'down', 'Let it down, plug out', 'The gauge stands at nothing before a clamp is touched. Plug in its drawer.',
                'Plug is out',
            ),
        ], ['A hose swells or slides: let it down at once.', 'The needle goes past what boost ever is.']);
    }

    private static function joined(string $name, self $first, self $second): self
    {
        return new self($name, [...$first->stages, ...$second->stages], [...$first->stop, ...$second->stop]);
    }

    public function place(string $stageId): ?int
    {
        foreach ($this->stages as $i => $stage) {
            if ($stage->id === $stageId) {
                return $i;
            }
        }

        return null;
    }

    public function last(): FillStage
    {
        return $this->stages[count($this->stages) - 1];
    }
}
