<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench;

use Doctrine\DBAL\Connection;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Joint\TighteningStages;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** What was done to a joint: every mark of this fit, those taken back too, and how it was left on earlier fits of the vehicle. */
final class JointHistoryController extends AbstractController
{
    #[Route(
        '/fits/{id}/joints/{joint}/history', name: 'joint_history',
        requirements: ['id' => '[0-9A-Z]{26}', 'joint' => '[a-z0-9.-]+'], methods: ['GET'],
    )]
    public function __invoke(string $id, string $joint, FitBook $fits, Recorder $recorder, Connection $db): Response
    {
        $record = $fits->get($id);
        $fit = $recorder->load($record);
        $known = $fit->vehicle->joints[$joint] ?? throw $this->createNotFoundException('There is no such joint.');
        $marks = array_values(
            array_filter(
                $fit->state->log,
                static fn (FitEvent $e): bool => EventType::FastenerMarked === $e->type && $e->string('joint') === $joint,
            ),
        );
        $earlier = $db->fetchAllAssociative(
            "SELECT f.id, f.title, f.signed_at, f.signed_by, COUNT(*) AS marks, MAX(json_extract(e.payload, '$.setting')) AS setting,
                MAX(json_extract(e.payload, '$.wrench')) AS wrench, MAX(e.at) AS last
             FROM fit f JOIN fit_event e ON e.fit_id = f.id AND e.type = 'fastener-marked' AND json_extract(e.payload, '$.joint') = :joint
             WHERE f.vehicle_id = :vehicle AND f.id <> :fit GROUP BY f.id ORDER BY last DESC LIMIT 12",
            ['joint' => $joint, 'vehicle' => $record->vehicle->id, 'fit' => $id],
        );

        return $this->render(
            'bench/_history.html.twig',
            [
                'marks' => array_reverse($marks), 'ladder' => TighteningStages::of($known), 'undone' => $fit->state->undone,
                'earlier' => $earlier, 'joint' => $known,
            ],
        );
    }
}
