GRANT DELETE ON paper TO axle_server;
