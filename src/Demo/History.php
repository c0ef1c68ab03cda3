<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Demo;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\App\Fits\EventLog;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Garage\VehicleRecord;
use NimbleKnuckle\App\Planning\FitPlanner;
use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Procedure\StepKind;
use Psr\Clock\ClockInterface;

/** Past fits with their whole event logs: the demo's two years, or as many as a measurement wants. */
final readonly class History
{
    /** Which procedure on which vehicle, with the choices of that school. */
    private const JOBS = [
        ['veldra-tarn-20t', 'thermostat-under', ['fill' => 'vacuum']],
        ['ostrel-vane-s6', 'serpentine-belt', []],
        ['corrin-drover-27d', 'water-pump', ['pump-fill' => 'burp']],
        ['veldra-tarn-20t', 'thermostat-under', ['fill' => 'burp', 'sign' => 'age']],
        ['corrin-drover-27d', 'water-pump', ['pump-fill' => 'vacuum']],
    ];

    /** Minutes somebody is called away in one fit of four, at the least. */
    private const AWAY = 40;

    public function __construct(
        private FitPlanner $planner, private Recorder $recorder, private EntityManagerInterface $em, private Connection $db,
        private EventLog $log, private ClockInterface $clock,
    ) {
    }

    /**
     * Signed-off fits, spread evenly over so many days up to a week ago. Deterministic but for the ids.
     *
     * @param ?string $second who does every third of them, where there is one
     */
    public function make(int $count, int $days, string $mechanic, string $lead, ?string $second = null): void
    {
        $now = $this->clock->now();
        for ($i = 0; $i < $count; ++$i) {
            [$vehicleId, $procedure, $choices] = self::JOBS[$i % count(self::JOBS)];
            $ago = 7 + (int) round(($count - 1 - $i) * ($days - 7) / max(1, $count - 1));
            $start = $now->modify(sprintf('-%d days', $ago))->setTime(8 + $i % 3, 10 + 7 * ($i % 5));
            $this->past($vehicleId, $procedure, $choices, $start, 0.85 + 0.11 * ($i % 4),
                1 === $i % 3 ? $second ?? $mechanic : $mechanic, $lead);
            if (0 === $i % 20) {
                $this->em->clear();
            }
        }
        $this->em->clear();
    }

    /** @param array<string, string> $choices */
    private function past(
        string $vehicleId, string $procedure, array $choices, \DateTimeImmutable $start, float $pace, string $mechanic,
        string $lead,
    ): void {
        $vehicle = $this->em->find(VehicleRecord::class, $vehicleId) ?? throw new \LogicException('The demo vehicles are loaded first.');
        $fit = $this->planner->plan($vehicle, [$procedure], $choices, $mechanic, $start->modify('-1 day'));
        $this->finish($fit, $start, $pace, $mechanic, $lead);
        foreach ($fit->sheet()->doing(StepKind::Book) as $step) {
            $closed = $start->modify(sprintf('+%d days', min(6, $step->asking->followUp->days)));
            $this->db->update(
                'due', ['closed_at' => $closed->format('Y-m-d H:i:s'), 'closed_by' => $mechanic, 'outcome' => 'As it should be.'],
                ['fit_id' => $fit->id, 'follow_up' => $step->asking->followUp->id],
            );
        }
    }

    /** Plays a fit to its end and signs it; the events are written as one batch. */
    public function finish(FitRecord $fit, \DateTimeImmutable $start, float $pace, string $mechanic, string $lead): void
    {
        $seed = crc32($start->format('Y-m-d'));
        $player = new FitPlayer($fit->sheet(), $fit->vehicleSheet(), $mechanic, $start, $pace, $seed);
        $steps = $fit->sheet()->steps;
        if (0 === $seed % 4) {
            $player->calledAway($steps[intdiv(count($steps), 2)]->id, self::AWAY + $seed % 50);
        }
        $player->throughout();
        $events = $player->events();
        $last = array_pop($events) ?? throw new \LogicException('A sheet has steps.');
        $this->db->transactional(function () use ($fit, $events): void {
            foreach ($events as $event) {
                $this->log->keep($fit->id, $event);
            }
        });
        $signed = (new FitPlayer(
            $fit->sheet(), $fit->vehicleSheet(), $lead, $last->at->modify('+4 minutes'),
        ))->add(EventType::Signed, ['remark' => '', 'shown' => count($events) + 1])->events();
        $this->recorder->record($fit, [$last, ...$signed], Authority::Lead);
    }
}
