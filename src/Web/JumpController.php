<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Web;

use Doctrine\DBAL\Connection;
use NimbleKnuckle\Core\Sum\SumBook;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Finds a fit, a vehicle, a sum or a page by a few letters. */
final class JumpController extends AbstractController
{
    private const PAGES = [
        'yard' => 'Yard', 'fits' => 'Fits', 'vehicles' => 'Vehicles', 'sums' => 'Sums', 'kit' => 'Kit', 'logbook' => 'Logbook',
        'practice' => 'Practice', 'import' => 'Import a fit',
    ];

    #[Route('/jump', name: 'jump', methods: ['GET'])]
    public function __invoke(Request $request, Connection $db, SumBook $sums): Response
    {
        $words = mb_strtolower(trim($request->query->getString('q')));
        $like = '%'.addcslashes($words, '%_\\').'%';
        $hits = [];
        foreach (self::PAGES as $route => $label) {
            $hits[] = ['label' => $label, 'kind' => 'page', 'href' => $this->generateUrl($route)];
        }
        foreach ($sums->all() as $sum) {
            $hits[] = [
                'label' => $sum->summary(), 'kind' => 'sum '.$sum->name(),
                'href' => $this->generateUrl('sum', ['name' => $sum->name()]),
            ];
        }
        $hits = array_values(
            array_filter(
                $hits,
                static fn (array $hit): bool => '' === $words || str_contains(mb_strtolower($hit['label'].' '.$hit['kind']), $words),
            ),
        );
        $fits = $db->fetchAllNumeric(
            "SELECT f.id, f.title, v.short, f.status FROM fit f JOIN vehicle v ON v.id = f.vehicle_id LEFT JOIN job j ON j.fit_id = f.id
                WHERE lower(f.title || ' ' || v.name || ' ' || coalesce(j.registration || ' ' || replace(j.registration, ' ', '') || ' '
                    || j.number || ' ' || j.customer || ' ' || j.phone || ' ' || j.chassis, '')) LIKE ? ESCAPE '\\'
                ORDER BY CASE f.status WHEN 'signed' THEN 1 ELSE 0 END, f.created_at DESC LIMIT 8",
            [$like],
        );
        foreach ($fits as [$id, $title, $short, $status]) {
            $hits[] = [
                'label' => sprintf('%s: %s', self::text($short), self::text($title)), 'kind' => 'fit, '.self::text($status),
                'href' => $this->generateUrl('fit_sheet', ['id' => self::text($id)]),
            ];
        }

        return $this->render('web/jump.html.twig', ['hits' => $hits, 'words' => $words]);
    }

    private static function text(mixed $value): string
    {
        return is_scalar($value) ? (string) $value : '';
    }
}
